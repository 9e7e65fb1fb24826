import { guarded } from '@/app/guard';
import { sendCapturePicture } from '@/book/read/sendOnDemand';

export const GET = guarded(sendCapturePicture);
