import { guarded } from '@/app/guard';
import { sendCaptureFile } from '@/book/write/acceptCapture';

export const GET = guarded(sendCaptureFile);
