import { guarded } from '@/app/guard';
import { sendSidesForce } from '@/book/read/sendOnDemand';

export const GET = guarded(sendSidesForce);
