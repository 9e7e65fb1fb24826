import { guarded } from '@/app/guard';
import { sendRideFile } from '@/stations/ride/acceptRide';

export const GET = guarded(sendRideFile);
