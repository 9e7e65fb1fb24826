import { guarded } from '@/app/guard';
import { acceptCapture } from '@/stations/axes/acceptCapture';

export const POST = guarded(acceptCapture);
