import { guarded } from '@/app/guard';
import { sendDraft } from '@/book/write/acceptCapture';

export const GET = guarded(sendDraft);
