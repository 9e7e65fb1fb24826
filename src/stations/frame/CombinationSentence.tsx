'use client';

import Link from 'next/link';
import { DropdownMenu } from 'radix-ui';
import type { Combination } from '@/core/settings/scope';
import type { BookView } from '@/book/model/bookView';
import { notifyReply } from '@/parts/notifyReply';
import { leaveGuarded } from '@/ui/unsavedGuard';
import { changeCombination } from '@/book/write/settings';

type Part = keyof Combination;
type Choice = { value: string; name: string };

/** The key to everything shown, as a sentence whose parts can be changed. */
export function CombinationSentence({ view }: { view: BookView }) {
  const { names, combination, choices } = view;
  const named = (entries: { id: string; name: string }[]): Choice[] =>
    entries.map(({ id, name }) => ({ value: id, name }));
  return (
    <p className="min-w-0 text-[17px] text-muted">
      On the{' '}
      <Pick
        part="rigId"
        label="Rig"
        now={names.rig}
        value={combination.rigId}
        choices={named(view.rigs)}
        makeRig
      />{' '}
      in{' '}
      <Pick
        part="titleId"
        label="Title"
        now={names.title}
        value={combination.titleId}
        choices={named(choices.titles)}
      />{' '}
      with the{' '}
      <Pick
        part="carId"
        label="Car"
        now={names.car}
        value={combination.carId}
        choices={named(choices.cars)}
      />
      ,{' '}
      <Pick
        part="driver"
        label="Driver"
        now={names.driver}
        value={combination.driver}
        choices={choices.drivers.map((name) => ({ value: name, name }))}
      />
      {combination.branch && (
        <>
          , on the branch{' '}
          <Link
            href="/combinations"
            className="border-b border-muted font-semibold text-ink hover:border-ink"
          >
            {combination.branch}
          </Link>
        </>
      )}
    </p>
  );
}

const RIG_LINKS = [
  ['/rig', 'Describe this rig…'],
  ['/start', 'Add a rig…'],
  ['/combinations', 'Compare combinations…'],
] as const;

interface PickProps {
  part: Part;
  label: string;
  now: string;
  value: string;
  choices: Choice[];
  makeRig?: boolean;
}

function Pick({ part, label, now, value, choices, makeRig = false }: PickProps) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={`${label}: ${now}`}
        className="cursor-pointer border-b border-muted font-semibold text-ink hover:border-ink hover:bg-raised"
      >
        {now}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={6}
          className="z-40 min-w-48 rounded-lg border border-line bg-raised p-1"
        >
          <DropdownMenu.Label className="px-3 py-1 text-sm text-muted">{label}</DropdownMenu.Label>
          <DropdownMenu.RadioGroup
            value={value}
            onValueChange={(next) =>
              leaveGuarded(() => void changeCombination({ [part]: next }).then((reply) => notifyReply(reply)))
            }
          >
            {choices.map((choice) => (
              <DropdownMenu.RadioItem
                key={choice.value}
                value={choice.value}
                className="flex min-h-11 cursor-pointer items-center justify-between gap-4 rounded px-3 text-[15px] outline-none data-[highlighted]:bg-lichen-soft"
              >
                {choice.name}
                <DropdownMenu.ItemIndicator className="text-sm text-muted">open</DropdownMenu.ItemIndicator>
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
          {makeRig &&
            RIG_LINKS.map(([href, text]) => (
              <DropdownMenu.Item asChild key={href}>
                <Link
                  href={href}
                  className="flex min-h-11 items-center rounded border-t border-line px-3 outline-none data-[highlighted]:bg-lichen-soft"
                >
                  {text}
                </Link>
              </DropdownMenu.Item>
            ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
