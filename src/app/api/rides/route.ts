import { acceptRide } from '@/stations/ride/acceptRide';

export const POST = acceptRide;
