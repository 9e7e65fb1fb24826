import { guarded } from '@/app/guard';
import { sendCaptureAnalysis } from '@/book/read/sendOnDemand';

export const GET = guarded(sendCaptureAnalysis);
