'use client';

import Link from 'next/link';
import { useState } from 'react';
import { PREFLIGHT } from '@/catalog/preflight';
import { isSettled, preflight, type ItemState } from '@/core/ready/preflight';
import { findingOf } from '@/book/judge/road/roadHealth';
import { isStrong } from '@/core/rig/rigSpec';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { Pebble, type PebbleKind } from '@/ui/Pebble';
import type { BookView } from '@/book/model/bookView';
import { NextStep, StationPage } from '@/ui/StationPage';
import { notifyReply } from '@/parts/notifyReply';
import { cablingChanged } from '@/book/write/rigs';
import { noteTitleVersion, rotationPutBack, tickItem, turnDownForBinding } from '@/book/write/readiness';
import { NotFoundHelper } from './NotFoundHelper';
import { useLivePreflight } from '@/live/useLivePreflight';

/** Ready: the pre-flight that this rig and title need, in the order that works; what can be seen ticks itself. */
export function ReadyStation({ view }: { view: BookView }) {
  const sights = useLivePreflight(view);
  const { rig, ready, names } = view;
  const { title } = view;
  const items = preflight(PREFLIGHT, rig.spec, title, ready.ticks, ready.stamp, sights);
  const open = items.filter((item) => !isSettled(item));
  return (
    <StationPage
      finding={
        items.some(({ item, state }) => item.sees === 'device-present' && state === 'not-so')
          ? 'The device is not there'
          : findingOf(view, 'ready').heading
      }
      subtitle={`What the ${names.rig} and ${names.title} need before the title starts, in the order that works.`}
      next={
        <>
          {ready.reminder && <PutRotationBack view={view} />}
          <FirstOpen open={open} />
          <NotFoundHelper
            onTurnDown={() =>
              void turnDownForBinding().then((reply) =>
                notifyReply(reply, 'The road will remind you to put the rotation back'),
              )
            }
          />
          <TitleVersion view={view} />
          <div className="flex flex-wrap gap-2 py-3">
            <Button
              onClick={() =>
                void cablingChanged().then((reply) =>
                  notifyReply(reply, 'What depends on cables is asked again'),
                )
              }
            >
              I changed cables or fixings
            </Button>
            <LinkButton href="/seat?do=ready">From the seat</LinkButton>
          </div>
        </>
      }
    >
      {isStrong(rig.spec) && items.some((item) => item.item.alone && !isSettled(item)) && (
        <StrongBase view={view} />
      )}
      <ol className="grid gap-0" aria-label="Pre-flight">
        {items.map((item) => (
          <Item key={item.item.id} state={item} isNext={item === open[0]} />
        ))}
      </ol>
      <p className="mt-4 border-l-4 border-rust pl-4 text-[15px]">
        The maker’s manual and local rules decide over this list; a qualified person does electrical and
        mechanical work.
      </p>
    </StationPage>
  );
}

const PEBBLES: Record<ItemState['state'], PebbleKind> = {
  open: 'empty',
  ticked: 'check',
  seen: 'check',
  void: 'alert',
  waiting: 'empty',
  'not-so': 'alert',
};
const STATE_WORDS: Record<ItemState['state'], string> = {
  open: 'to do',
  ticked: 'done',
  seen: 'seen',
  void: 'asked again',
  waiting: 'to do',
  'not-so': 'not so',
};

function Item({ state, isNext }: { state: ItemState; isNext: boolean }) {
  const { item, text } = state;
  const bySight = ['seen', 'not-so', 'waiting'].includes(state.state);
  const isTicked = state.state === 'ticked';
  // What guards against a strong base is asked one by one.
  const mustWait = item.alone && !isTicked && !isNext;
  return (
    <li
      className={`grid grid-cols-[2rem_1fr_auto] items-center gap-x-3 border-b border-line py-1.5 ${isNext ? 'bg-raised' : ''}`}
    >
      <Pebble kind={PEBBLES[state.state]} shape={item.id.length} size={24} />
      <div>
        <p className={isSettled(state) ? 'text-muted' : 'font-semibold'}>{text}</p>
        <p
          className={`text-sm ${state.state === 'void' || state.state === 'not-so' ? 'text-rust' : 'text-muted'}`}
        >
          {state.why ?? `Protects ${item.protects}.`}
        </p>
      </div>
      {bySight || mustWait ? (
        <span className="px-3 text-sm text-muted">{mustWait ? 'after that' : STATE_WORDS[state.state]}</span>
      ) : (
        <Button
          look={isTicked ? 'quiet' : 'plain'}
          aria-pressed={isTicked}
          aria-label={`${isTicked ? 'Not done after all' : 'Done'}: ${text}`}
          onClick={() => void tickItem(item.id, !isTicked).then((reply) => notifyReply(reply))}
        >
          {isTicked ? 'done' : 'Done'}
        </Button>
      )}
    </li>
  );
}

function FirstOpen({ open }: { open: ItemState[] }) {
  const first = open[0];
  if (!first)
    return (
      <NextStep
        title={
          <Link className="underline underline-offset-4" href="/axes">
            On to the axes
          </Link>
        }
      >
        Nothing is left to check.
      </NextStep>
    );
  return (
    <NextStep
      title={first.text}
      actions={
        first.state === 'open' || first.state === 'void' ? (
          <Button
            look="next"
            onClick={() => void tickItem(first.item.id, true).then((reply) => notifyReply(reply))}
          >
            Done
          </Button>
        ) : undefined
      }
    >
      {first.why ? `${first.why.replace(/^./, (c) => c.toUpperCase())}. ` : ''}Protects {first.item.protects}.
    </NextStep>
  );
}

/** A strong base is started for the first time: torque limit, thumbs, stop button, bystanders, one by one. */
function StrongBase({ view }: { view: BookView }) {
  return (
    <div role="note" className="mb-3 border-l-4 border-rust pl-4">
      <p className="font-semibold">
        {view.rig.spec.base.torqueNm ?? 'Many'} N·m can break a thumb or a wrist.
      </p>
      <p className="text-[15px]">
        The first four are asked one by one. Start low and come up; no tuning through pain.
      </p>
    </div>
  );
}

function PutRotationBack({ view }: { view: BookView }) {
  const wanted = view.ready.reminder?.restoreDeg ?? null;
  return (
    <NextStep
      title={<span className="text-rust">Put the rotation back{wanted ? ` to ${wanted}°` : ''}</span>}
      actions={
        <Button
          look="next"
          onClick={() => void rotationPutBack(wanted).then((reply) => notifyReply(reply, 'Noted'))}
        >
          It is back
        </Button>
      }
    >
      The base was turned down so that a title could bind it. Measuring the steering again settles this as
      well.
    </NextStep>
  );
}

function TitleVersion({ view }: { view: BookView }) {
  const [text, setText] = useState(view.ready.titleVersion);
  const save = () =>
    text !== view.ready.titleVersion &&
    void noteTitleVersion(text).then((reply) =>
      notifyReply(reply, 'What depends on the title’s version is asked again'),
    );
  return (
    <label className="grid gap-1 border-b border-line py-3 text-[15px]">
      Version of {view.names.title} (a new one asks again what it may have reset)
      <input
        className="h-11 rounded-lg border border-line bg-raised px-3"
        value={text}
        maxLength={40}
        placeholder="not written down"
        onChange={(event) => setText(event.target.value)}
        onBlur={save}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      />
    </label>
  );
}
