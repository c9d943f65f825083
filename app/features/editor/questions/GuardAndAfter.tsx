import type { AdjusterKind } from '@longbar/core';
import { View } from 'react-native';
import { space } from '../../../theme/tokens';
import { Choice } from '../../../ui/Choice';
import { Stack } from '../../../ui/Panel';
import { Tiles } from '../../../ui/Tiles';
import { Words } from '../../../ui/Words';
import { NumberField } from '../NumberField';
import type { AdjusterProps } from '../questionProps';
import { mistakeAt } from '../questionProps';

/** How far off its lobe it must stand, how near full lift, and what must be done before it. */
export function GuardAndAfter({ draft, entry, place }: AdjusterProps) {
  const { kind, setAt = 'base', guard, after = [] } = entry;
  const path = `adjusters.${place}`;
  const change = (apply: (own: typeof entry) => void) =>
    draft.edit((sheet) => {
      const own = sheet.adjusters[place];
      if (own) apply(own);
    });
  const others = draft.sheet.adjusters.map((each) => each.kind).filter((each) => each !== kind);
  const toggle = (other: AdjusterKind) =>
    change((own) => {
      const next = after.includes(other)
        ? after.filter((each) => each !== other)
        : [...after, other];
      if (next.length > 0) own.after = next;
      else delete own.after;
    });
  return (
    <Stack gap={space.small}>
      {setAt === 'base' && (
        <NumberField
          label="Clear of the lobe by, degrees"
          name={`Clear of the lobe by, ${kind}, degrees; 20 if empty`}
          hint="20 if empty"
          value={guard}
          error={mistakeAt(draft, `${path}.guard`)}
          onChange={(degrees) =>
            change((own) => {
              if (degrees === undefined) delete own.guard;
              else own.guard = degrees;
            })
          }
        />
      )}
      {typeof setAt === 'object' && 'peak' in setAt && (
        <NumberField
          label="Within, degrees of full lift"
          name={`Within, ${kind}, degrees of full lift; 10 if empty`}
          hint="10 if empty"
          value={typeof setAt.within === 'number' ? setAt.within : undefined}
          onChange={(within) =>
            change((own) => {
              const { within: _, ...rest } = setAt;
              own.setAt = within === undefined ? rest : { ...rest, within };
            })
          }
        />
      )}
      {others.length > 0 && (
        <>
          <Words as="note">Only after these are done</Words>
          <View role="group" aria-label={`${kind} after`}>
            <Tiles columns={3}>
              {others.map((other) => (
                <Choice
                  key={other}
                  label={other}
                  name={`${kind} after ${other}`}
                  several
                  chosen={after.includes(other)}
                  onPress={() => toggle(other)}
                />
              ))}
            </Tiles>
          </View>
        </>
      )}
    </Stack>
  );
}
