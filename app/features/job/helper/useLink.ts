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

type Side = LinkSide & { sent: Map<number, number> };

/** One side of the link between the one at the rockers and the one who turns. */
export function useLink(job: string, role: Beat['role'], planned: Omit<Turn, 'id'> | null): Link {
  const sync = useSync();
  const side = useRef<Side>(null);
  side.current ??= { own: firstBeat(role), other: undefined, sent: new Map() };
  const [shown, setShown] = useState<{ word: TurningWord; turn: Turn | null }>({
    word: 'waiting',
    turn: null,
  });
  const refresh = useCallback(() => {
    const now = keptSide(side.current as Side, performance.now());
    side.current = now;
    const word = turningWord(now, performance.now());
    const turn = role === 'rockers' ? now.own.turn : (now.other?.turn ?? null);
    setShown((before) =>
      before.word === word && before.turn?.id === turn?.id ? before : { word, turn },
    );
  }, [role]);
  const send = useCallback(() => {
    const now = side.current as Side;
    const beat = now.own.beat + 1;
    now.own = { ...now.own, beat, heard: now.other?.beat ?? 0 };
    now.sent.set(beat, performance.now());
    now.sent.delete(beat - REMEMBERED);
    sync.beat(job, now.own);
  }, [sync, job]);
  useEffect(() => {
    const stop = sync.follow(job, (beat) => {
      const before = side.current as Side;
      side.current = heardBeat(before, beat, performance.now());
      if (side.current !== before) refresh();
    });
    const timer = setInterval(() => {
      send();
      refresh();
    }, BEAT);
    return () => {
      stop();
      clearInterval(timer);
    };
  }, [sync, job, role, refresh, send]);
  const key = JSON.stringify(planned);
  useEffect(() => {
    if (role !== 'rockers') return;
    const now = side.current as Side;
    const next = JSON.parse(key) as Omit<Turn, 'id'> | null;
    now.own = { ...now.own, clearFor: null, turn: next && { ...next, id: uuid() } };
    refresh();
  }, [key, role, refresh]);
  const change = (next: Partial<Beat>) => {
    const now = side.current as Side;
    now.own = { ...now.own, ...next };
    send();
    refresh();
  };
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

function firstBeat(role: Beat['role']): Beat {
  return { device: uuid(), role, beat: 0, heard: 0, turn: null, clearFor: null, said: null };
}
