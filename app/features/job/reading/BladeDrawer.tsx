import type { BladeSet } from '@longbar/core';
import { formatLengthAlone, markedIn } from '@longbar/core';
import { memo, useState } from 'react';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../../state/preferences';
import { useAppSelector } from '../../../state/store';
import { Act } from '../../../ui/Act';
import { Choice } from '../../../ui/Choice';
import { OneOf } from '../../../ui/OneOf';
import { Row, Stack } from '../../../ui/Panel';
import { Tiles } from '../../../ui/Tiles';
import { Words } from '../../../ui/Words';
import { CAN_SPEAK } from './speech';

type Props = { sets: readonly BladeSet[]; inHand: BladeSet };

/** Which set is in hand, how it is laid out, and which blades of it are worn. */
export const BladeDrawer = memo(function BladeDrawer({ sets, inHand }: Props) {
  const dispatch = useDispatch();
  const { worn, thickFirst, aloud } = useAppSelector((state) => state.preferences);
  const [open, setOpen] = useState(false);
  const whole = sets.find(({ name }) => name === inHand.name) ?? inHand;
  const gone = worn[whole.name] ?? [];
  const toggle = (size: number) =>
    dispatch(
      preferencesChanged({
        worn: {
          ...worn,
          [whole.name]: gone.includes(size)
            ? gone.filter((other) => other !== size)
            : [...gone, size],
        },
      }),
    );
  if (!open) {
    return (
      <Act
        label={`Blades: ${whole.name}`}
        name={`Blades: ${whole.name}. Change the set or mark a worn blade`}
        onPress={() => setOpen(true)}
      />
    );
  }
  const unit = markedIn(whole);
  return (
    <Stack>
      <Words as="strong">Set in hand</Words>
      <OneOf
        name="Set in hand"
        options={sets.map(({ name }) => [name, name] as const)}
        inFull={(name) => `Take the ${name}`}
        chosen={whole.name}
        onChoose={(name) => dispatch(preferencesChanged({ bladeSet: name }))}
        columns={sets.length > 2 ? 3 : 2}
      />
      <Row>
        <Act
          label={thickFirst ? 'Thin ones first' : 'Thick ones first'}
          style={{ flex: 1 }}
          onPress={() => dispatch(preferencesChanged({ thickFirst: !thickFirst }))}
        />
        {CAN_SPEAK && (
          <Act
            label={aloud ? 'Be silent' : 'Say it aloud'}
            style={{ flex: 1 }}
            onPress={() => dispatch(preferencesChanged({ aloud: !aloud }))}
          />
        )}
      </Row>
      <Words as="strong">Worn or bent? Tap it out of the set.</Words>
      <Words as="note" color="secondInk">
        One that is not here is typed into its set under Shop.
      </Words>
      <Tiles columns={5}>
        {whole.blades.map((blade) => {
          const size = typeof blade === 'number' ? blade : blade.go;
          const marked = formatLengthAlone(size, unit);
          return (
            <Choice
              key={size}
              label={marked}
              name={`Blade ${marked} worn`}
              {...(gone.includes(size) && { detail: 'worn' })}
              several
              chosen={gone.includes(size)}
              onPress={() => toggle(size)}
            />
          );
        })}
      </Tiles>
      <Act label="Done with the blades" onPress={() => setOpen(false)} />
    </Stack>
  );
});
