import { guarded } from '@/app/guard';
import { acceptRide } from '@/book/write/acceptRide';

export const POST = guarded(acceptRide);
