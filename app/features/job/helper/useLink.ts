import type { Beat, LinkSide, Turn, TurningWord } from '@longbar/core';
import { heardBeat, keptSide, turningWord } from '@longbar/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import { useSync } from '../../../sync/SyncProvider';

/** Between two beats, ms: several within the two seconds an answer may take. */
const BEAT = 400;
/** So many own beats back an answer is still looked for. */
const REMEMBERED = 30;

export type Link = {
  word: TurningWord;
  /** The turn in hand, as the one at the rockers says it. */
  turn: Turn | null;
  /** Says stop or there of the turn in hand. */
  say: (word: 'stop' | 'there') => void;
  /** Fingers are clear for this turn, and for this one only. */
  clear: (turn: Turn) => void;
};

/** The turn that is asked, and what it follows: after another act it is another turn. */
export type Planned = { turn: Omit<Turn, 'id'> | null; after: string | null };

type Side = LinkSide & { sent: Map<number, number> };
type Shown = Pick<Link, 'word' | 'turn'>;

/**
 * One side of the link between the one at the rockers and the one who turns; silent while it is
 * not `on`. A side that goes off says so: the other one waits, and is not frightened.
 */
export function useLink(job: string, role: Beat['role'], planned: Planned | null, on = true): Link {
  const sync = useSync();
  const [first] = useState((): Side => ({
    own: firstBeat(role),
    other: undefined,
    sent: new Map(),
  }));
  const side = useRef(first);
  const [shown, setShown] = useState<Shown>({ word: 'waiting', turn: null });
  const refresh = useCallback(() => {
    const now = keptSide(side.current, performance.now());
    side.current = now;
    const word = turningWord(now, performance.now());
    const turn = role === 'rockers' ? now.own.turn : (now.other?.turn ?? null);
    setShown((before) =>
      before.word === word && before.turn?.id === turn?.id ? before : { word, turn },
    );
  }, [role]);
  const change = useCallback(
    (next: Partial<Beat>) => {
      side.current = sentOn(side.current, next);
      sync.beat(job, side.current.own);
      refresh();
    },
    [sync, job, refresh],
  );
  useEffect(() => {
    if (!on) return;
    side.current = { own: firstBeat(role), other: undefined, sent: new Map() };
    const stop = sync.follow(job, (beat) => {
      const before = side.current;
      side.current = heardBeat(before, beat, performance.now());
      if (side.current !== before) refresh();
    });
    const timer = setInterval(() => change({}), BEAT);
    return () => {
      sync.beat(job, sentOn(side.current, { turn: null, leaves: true }).own);
      stop();
      clearInterval(timer);
    };
  }, [sync, job, role, on, refresh, change]);
  const key = JSON.stringify(planned);
  useEffect(() => {
    if (role !== 'rockers' || !on) return;
    const { turn }: Planned = JSON.parse(key) ?? { turn: null };
    change({ clearFor: null, said: null, turn: turn && { ...turn, id: uuid() } });
  }, [key, role, on, change]);
  return {
    ...shown,
    say: (word) => shown.turn && change({ said: { turn: shown.turn.id, word } }),
    clear: (turn) => {
      // What was said of the turn before does not stand against this one.
      const fresh = { ...turn, id: uuid() };
      change({ turn: fresh, clearFor: fresh.id, said: null });
    },
  };
}

/** The side with its next beat, told what it has heard. */
function sentOn({ own, other, sent }: Side, next: Partial<Beat>): Side {
  const beat = own.beat + 1;
  const times = new Map(sent).set(beat, performance.now());
  times.delete(beat - REMEMBERED);
  return { own: { ...own, ...next, beat, heard: other?.beat ?? 0 }, other, sent: times };
}

function firstBeat(role: Beat['role']): Beat {
  return { device: uuid(), role, beat: 0, heard: 0, turn: null, clearFor: null, said: null };
}
