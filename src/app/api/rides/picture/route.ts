import { guarded } from '@/app/guard';
import { sendRideTrace } from '@/book/read/sendOnDemand';

export const GET = guarded(sendRideTrace);
