import { guarded } from '@/app/guard';
import { saveBook } from '@/book/write/acceptBackup';

export const POST = guarded(saveBook);
