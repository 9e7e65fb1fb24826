import { guarded } from '@/app/guard';
import { sendAlong } from '@/book/read/sendOnDemand';

export const GET = guarded(sendAlong);
