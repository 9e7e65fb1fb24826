import { sendRideFile } from '@/stations/ride/acceptRide';

export const GET = sendRideFile;
