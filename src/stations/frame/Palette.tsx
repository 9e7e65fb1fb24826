'use client';

import { Command } from 'cmdk';
import { useRouter } from 'next/navigation';
import { Dialog } from 'radix-ui';
import { COMPLAINTS } from '@/core/feel/complaints';
import { download } from '@/ui/download';
import { leaveGuarded } from '@/ui/unsavedGuard';
import type { BookView } from '@/book/model/bookView';
import { notify } from '@/ui/notices';
import { TOPICS } from '@/words/topics';
import { PANEL_NAMES, PANELS } from '@/words/forcePanels';
import { notifyReply } from '@/parts/notifyReply';
import { changeCombination, putBack } from '@/book/write/settings';
import { setTheme, type Theme } from './themeChoice';

interface Entry {
  group: string;
  name: string;
  keys?: string;
  /** Other words that people look for it by. */
  words?: readonly string[];
  run(): void;
}

const THEMES: { theme: Theme; name: string }[] = [
  { theme: 'light', name: 'Theme: limestone' },
  { theme: 'dark', name: 'Theme: wet slate' },
  { theme: 'system', name: 'Theme: as the system' },
];

/** Everything by name: stations, combination, undo, theme, keys. */
export function Palette({
  view,
  open,
  onOpenChange,
  onKeys,
}: {
  view: BookView;
  open: boolean;
  onOpenChange(open: boolean): void;
  onKeys(): void;
}) {
  const router = useRouter();
  const go = (to: string) => leaveGuarded(() => router.push(to));
  const choose = (part: Parameters<typeof changeCombination>[0]) =>
    leaveGuarded(() => void changeCombination(part).then((reply) => notifyReply(reply)));
  const last = view.trail.lastLive;
  const entries: Entry[] = [
    ...view.road.map((station, i) => ({
      group: 'Stations',
      name: `${station.name}: ${station.reason}`,
      keys: String(i + 1),
      run: () => go(station.path),
    })),
    {
      group: 'Trail',
      name: 'Put the last change back',
      keys: 'U',
      words: ['undo', 'revert', 'back', 'reset'],
      run: () =>
        last
          ? void putBack(last.id).then((reply) => notifyReply(reply, 'Put back'))
          : notify('Nothing is in force that could be put back'),
    },
    ...TOPICS.map(({ name, words, path }) => ({ group: 'Topics', name, words, run: () => go(path) })),
    ...view.rigs.map((rig) => ({
      group: 'Rig',
      name: `Rig: ${rig.name}`,
      run: () => choose({ rigId: rig.id }),
    })),
    ...view.choices.drivers.map((driver) => ({
      group: 'Driver',
      name: `Driver: ${driver}`,
      run: () => choose({ driver }),
    })),
    { group: 'Rig', name: 'Add a rig', run: () => go('/start') },
    { group: 'Rig', name: 'Describe this rig', run: () => go('/rig') },
    {
      group: 'Rig',
      name: 'Measure the base by hand',
      words: ['friction', 'inertia', 'spin'],
      run: () => go('/base'),
    },
    {
      group: 'Rig',
      name: 'Buttons of the rim',
      words: ['buttons', 'paddles', 'map', 'bind', 'look back', 'reset', 'rotary', 'rev lights'],
      run: () => go('/buttons'),
    },
    {
      group: 'Settings',
      name: 'Share what you described: titles, cars, roads, base',
      words: ['pack', 'export', 'import', 'friend', 'share', 'file'],
      run: () => go('/translate/share'),
    },
    {
      group: 'Settings',
      name: 'Describe a road of your own',
      words: ['track', 'circuit', 'radius', 'hairpin'],
      run: () => go('/translate/describe?of=road'),
    },
    {
      group: 'Settings',
      name: 'Compare, branch and merge combinations',
      run: () => go('/combinations'),
    },
    {
      group: 'Settings',
      name: 'Translate: somebody gave me these numbers',
      run: () => go('/translate'),
    },
    {
      group: 'Settings',
      name: 'Describe a title of your own',
      run: () => go('/translate/describe'),
    },
    {
      group: 'Settings',
      name: 'Describe a car of your own',
      run: () => go('/translate/describe?of=car'),
    },
    {
      group: 'Settings',
      name: 'Describe the base of this rig',
      run: () => go('/translate/describe?of=base'),
    },
    ...PANELS.map((part) => ({
      group: 'Force',
      name: `Force: ${PANEL_NAMES[part]}`,
      run: () => go(`/force?part=${part}`),
    })),
    ...COMPLAINTS.map(({ id, words }) => ({
      group: 'Feels like…',
      name: `Feels like: ${words}`,
      run: () => go(`/force?part=feels&like=${id}`),
    })),
    { group: 'Axes', name: 'Prove it: the final check', run: () => go('/axes/check') },
    ...view.axes.map((axis) => ({
      group: 'Axes',
      name: `Axis: ${axis.name}`,
      run: () => go(`/axes/${axis.axis}`),
    })),
    { group: 'Seat', name: 'From the seat: everything', run: () => go('/seat?do=all') },
    { group: 'Seat', name: 'From the seat: all axes', run: () => go('/seat?do=axes') },
    { group: 'Seat', name: 'From the seat: pre-flight', run: () => go('/seat?do=ready') },
    { group: 'Seat', name: 'From the seat: minimum force', run: () => go('/seat?do=minimum-force') },
    { group: 'Seat', name: 'From the seat: ask a question', run: () => go('/seat?do=verdict') },
    { group: 'Seat', name: 'From the seat: the base by hand', run: () => go('/seat?do=base') },
    ...view.axes
      .filter((axis) => axis.capture)
      .map((axis) => ({
        group: 'Files',
        name: `Save the ${axis.name.toLowerCase()} capture as CSV`,
        run: () => download(`${axis.axis}.capture.csv`, `/api/captures/file?id=${axis.capture?.id ?? ''}`),
      })),
    ...THEMES.map(({ theme, name }) => ({ group: 'Look', name, run: () => setTheme(theme) })),
    { group: 'Help', name: 'All keys', keys: '?', run: onKeys },
  ];
  const groups = [...new Set(entries.map((entry) => entry.group))];
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-sunk/70" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-24 left-1/2 z-50 w-[36rem] max-w-[calc(100vw-2rem)] -translate-x-1/2 overflow-hidden rounded-xl border border-line bg-ground"
        >
          <Dialog.Title className="sr-only">Search and commands</Dialog.Title>
          <Command label="Search and commands">
            <Command.Input
              placeholder="A station, a rig, a command…"
              className="h-14 w-full border-b border-line bg-transparent px-5 text-[17px] outline-none"
            />
            <Command.List className="max-h-96 overflow-y-auto p-2">
              <Command.Empty className="p-4 text-muted">
                Nothing of this name. Try “axes”, “ride” or “theme”.
              </Command.Empty>
              {groups.map((group) => (
                <Command.Group key={group} heading={group} className="p-1 text-sm text-muted">
                  {entries
                    .filter((entry) => entry.group === group)
                    .map((entry) => (
                      <Command.Item
                        key={entry.name}
                        value={entry.name}
                        keywords={[...(entry.words ?? [])]}
                        onSelect={() => {
                          onOpenChange(false);
                          entry.run();
                        }}
                        className="flex min-h-11 cursor-pointer items-center justify-between rounded-lg px-3 text-[15px] text-ink data-[selected=true]:bg-lichen-soft"
                      >
                        {entry.name}
                        {entry.keys && <kbd className="font-mono text-sm text-muted">{entry.keys}</kbd>}
                      </Command.Item>
                    ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
