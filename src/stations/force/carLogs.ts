import type { BookView } from '@/book/model/bookView';
import type { CarLog } from '@/book/model/rideView';
import type { CarLogFile, LoggedRide } from '@/core/force/forceReport';

/** Where the file of a ride lies: whole, for a worker may have no address of its own to start from. */
export const fileOf = (id: string) =>
  new URL(`/api/rides/file?id=${encodeURIComponent(id)}`, location.href).href;

/** The logs that Cars and Feels like read: of the open car the one that is chosen in Strength, else its newest. */
export function carLogsOf(view: BookView, logs: readonly CarLog[], chosen: LoggedRide | null): CarLog[] {
  const { carId } = view.combination;
  const line = view.rides.find(({ id }) => id === chosen?.id);
  if (!chosen || !line?.importedFrom) return [...logs];
  const own = { carId, id: chosen.id, name: line.importedFrom, settings: chosen.settings };
  return [own, ...logs.filter((one) => one.carId !== carId)];
}

/** The same for the worker. */
export const logFiles = (logs: readonly CarLog[]): CarLogFile[] =>
  logs.map(({ carId, id, settings }) => ({ carId, settings, url: fileOf(id) }));

/** Which they are, as text: another log is another question. */
export const logIds = (logs: readonly CarLog[]) => logs.map(({ id }) => id).join();
