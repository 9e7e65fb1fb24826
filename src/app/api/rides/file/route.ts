import { guarded } from '@/app/guard';
import { sendRideFile } from '@/book/write/acceptRide';

export const GET = guarded(sendRideFile);
