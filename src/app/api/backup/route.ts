import { guarded } from '@/app/guard';
import { acceptBackup, sendBackup } from '@/book/write/acceptBackup';

export const dynamic = 'force-dynamic';
export const GET = guarded(sendBackup);
export const POST = guarded(acceptBackup);
