import { guarded } from '@/app/guard';
import { sendRideSettings } from '@/book/read/sendOnDemand';

export const GET = guarded(sendRideSettings);
