import { slotSaved } from '@/book/write/experiments';
import { download } from '@/ui/download';
import { notify } from '@/ui/notices';
import { told } from './told';

/** Saves the file of the ride that comes next under a name that says nothing of its side, and books that it was. */
export async function saveSlot(id: string, place: number): Promise<void> {
  const answer = await fetch(`/api/experiments/slot?id=${id}&place=${place}`);
  if (!answer.ok)
    return notify('The file of this ride was not there: another window went on. Reload the page.', 'fault');
  const { name, base64 } = (await answer.json()) as { name: string; base64: string };
  const bytes = Uint8Array.from(atob(base64), (char) => char.charCodeAt(0));
  download(name, URL.createObjectURL(new Blob([bytes], { type: 'application/octet-stream' })));
  told(await slotSaved({ id, place }), `${name} is saved`);
}
