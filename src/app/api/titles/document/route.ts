import { guarded } from '@/app/guard';
import { sendTitleDocument } from '@/book/read/sendOnDemand';

export const GET = guarded(sendTitleDocument);
