import { guarded } from '@/app/guard';
import { saveBook } from '@/stations/card/acceptBackup';

export const POST = guarded(saveBook);
