import { acceptBackup, sendBackup } from '@/stations/card/acceptBackup';

export const dynamic = 'force-dynamic';
export const GET = sendBackup;
export const POST = acceptBackup;
