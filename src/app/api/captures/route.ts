import { acceptCapture } from '@/stations/axes/acceptCapture';

export const POST = acceptCapture;
