import type { EngineSheet } from '@longbar/core';
import { useState } from 'react';
import { EngineDial } from '../../../drawing/EngineDial';
import { StyleSheet, View } from 'react-native';
import { OneOf } from '../../../ui/OneOf';
import { Words } from '../../../ui/Words';
import { RotationChoice } from '../../shared/RotationChoice';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';

const BACKWARDS = [
  ['never', 'Never backwards'],
  ['may', 'May go back'],
] as const;

const ENDS = ['front', 'rear'] as const;

type Turning = NonNullable<EngineSheet['rotation']>;

/** Which way it turns, seen from where, whether it may go back, and cylinder 1's end. */
export function RotationQuestion({ draft }: QuestionProps) {
  const { sheet, drawn, edit } = draft;
  const { rotation } = sheet;
  // Before the way is said, the end it is seen from says nothing yet.
  const [seenFrom, setSeenFrom] = useState<Turning['seenFrom']>('front');
  const turn = (change: Partial<Turning>) => {
    const { sense = rotation?.sense } = change;
    if (sense === undefined) setSeenFrom(change.seenFrom ?? seenFrom);
    else edit((next) => void (next.rotation = { seenFrom, ...rotation, ...change, sense }));
  };
  const from = sheet.layout?.numberedFrom;
  return (
    <Question
      title="Which way does it turn?"
      hint="Normal direction only, so that the gears’ play is taken up."
      mistake={mistakeAt(draft, 'rotation')}
    >
      <RotationChoice
        sense={rotation?.sense}
        seenFrom={rotation?.seenFrom ?? seenFrom}
        onChoose={turn}
      />
      {rotation && (
        <>
          <Words as="strong">Turned back past a mark?</Words>
          <OneOf
            name="Turned back past a mark?"
            options={BACKWARDS}
            chosen={rotation.reversible === true ? 'may' : 'never'}
            onChoose={(back) => turn({ reversible: back === 'may' })}
          />
        </>
      )}
      {sheet.layout && (
        <>
          <Words as="strong">Cylinder 1 is at the</Words>
          <OneOf
            name="Cylinder 1 is at the"
            options={ENDS.map((end) => [end, end] as const)}
            inFull={(end) => `Cylinder 1 at the ${end}`}
            chosen={ENDS.find((end) => end === from)}
            onChoose={(end) => edit((next) => numberFrom(next, end))}
          />
        </>
      )}
      {rotation && (
        <View style={styles.dial}>
          <EngineDial sheet={drawn} at={0} turn={90} size={190} />
        </View>
      )}
    </Question>
  );
}

/** Cylinders are listed from the front whatever the numbers: the other end turns the rows. */
function numberFrom(sheet: QuestionProps['draft']['sheet'], end: 'front' | 'rear'): void {
  if (!sheet.layout || sheet.layout.numberedFrom === end) return;
  const turned = sheet.layout.numberedFrom !== undefined || end === 'rear';
  sheet.layout.numberedFrom = end;
  if (!turned) return;
  for (const bank of sheet.layout.banks) {
    bank.cylinders.reverse();
    bank.valves?.reverse();
  }
}

const styles = StyleSheet.create({ dial: { alignItems: 'center' } });
