import { sendDraft } from '@/stations/axes/acceptCapture';

export const GET = sendDraft;
