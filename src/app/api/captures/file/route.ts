import { guarded } from '@/app/guard';
import { sendCaptureFile } from '@/stations/axes/acceptCapture';

export const GET = guarded(sendCaptureFile);
