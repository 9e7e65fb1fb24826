import { guarded } from '@/app/guard';
import { sendDraft } from '@/stations/axes/acceptCapture';

export const GET = guarded(sendDraft);
