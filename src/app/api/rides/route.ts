import { guarded } from '@/app/guard';
import { acceptRide } from '@/stations/ride/acceptRide';

export const POST = guarded(acceptRide);
