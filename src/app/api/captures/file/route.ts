import { sendCaptureFile } from '@/stations/axes/acceptCapture';

export const GET = sendCaptureFile;
