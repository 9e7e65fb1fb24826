import { guarded } from '@/app/guard';
import { sendSlot } from '@/book/read/sendOnDemand';

export const GET = guarded(sendSlot);
