import { reasonOf } from '@/core/problem';
import { slotSaved } from '@/book/write/blindLoading';
import { download } from '@/ui/download';
import { notify } from '@/ui/notices';
import { fetchFresh } from '@/ui/useFetched';
import { notifyReply } from './notifyReply';

/** Saves the file of the ride that comes next under a name that says nothing of its side, and books that it was. */
export async function saveSlot(id: string, place: number): Promise<void> {
  try {
    const { name, base64 } = await fetchFresh<{ name: string; base64: string }>(
      `/api/experiments/slot?id=${id}&place=${place}`,
    );
    const bytes = Uint8Array.from(atob(base64), (char) => char.charCodeAt(0));
    download(name, URL.createObjectURL(new Blob([bytes], { type: 'application/octet-stream' })));
    notifyReply(await slotSaved({ id, place }), `${name} is saved`);
  } catch (error) {
    const why = 'Has another window gone on? Reload the page, and save it again';
    notify(`The file of this ride is not booked as saved: ${reasonOf(error)} ${why}.`, 'fault');
  }
}
