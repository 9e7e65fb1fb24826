import { guarded } from '@/app/guard';
import { sendEarlierRides } from '@/book/read/sendOnDemand';

export const GET = guarded(sendEarlierRides);
