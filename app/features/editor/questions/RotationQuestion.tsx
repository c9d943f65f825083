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

type Turning = NonNullable<EngineSheet['rotation']>;

/** Which way it turns, seen from where, and whether it may go back. */
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
      {rotation && (
        <View style={styles.dial}>
          <EngineDial sheet={drawn} at={0} turn={90} size={190} />
        </View>
      )}
    </Question>
  );
}

const styles = StyleSheet.create({ dial: { alignItems: 'center' } });
