import { guarded } from '@/app/guard';
import { acceptCapture } from '@/book/write/acceptCapture';

export const POST = guarded(acceptCapture);
