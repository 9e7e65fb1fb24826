import { guarded } from '@/app/guard';
import { sendTrail } from '@/book/read/sendOnDemand';

export const GET = guarded(sendTrail);
