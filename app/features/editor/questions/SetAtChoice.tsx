import type { AdjusterEntry } from '@longbar/core';
import { isWindow } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { NumberField } from '../NumberField';
import type { AdjusterProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { Choices } from './Choices';

const PLACES = ['base circle', 'full lift', 'window'] as const;
type Place = (typeof PLACES)[number];
const LOBES = ['intake', 'exhaust', 'injector', 'brake'] as const;

/** Where on the cam it is set, whose lobe it rides, and how many places later it follows. */
export function SetAtChoice({ draft, entry, place }: AdjusterProps) {
  const change = (apply: (next: AdjusterEntry) => void) =>
    draft.edit((sheet) => {
      const own = sheet.adjusters[place];
      if (own) apply(own);
    });
  const { setAt, kind } = entry;
  const chosen = placeOf(entry);
  const wrong = mistakeAt(draft, `adjusters.${place}.setAt`);
  return (
    <Stack gap={space.small}>
      <Choices
        title="Set at"
        of={kind}
        options={PLACES}
        chosen={chosen ?? ''}
        onChoose={(next) => change((own) => void (own.setAt = BEGIN[next]))}
      />
      {wrong !== undefined && (
        <Words as="strong" color="stop" role="alert">
          {wrong}
        </Words>
      )}
      {typeof setAt === 'object' && 'peak' in setAt && (
        <Choices
          title="At the full lift of the"
          of={kind}
          options={LOBES}
          chosen={String(setAt.peak)}
          onChoose={(peak) => change((own) => void (own.setAt = { ...setAt, peak }))}
        />
      )}
      {isWindow(setAt) && (
        <View style={styles.window}>
          {(['from', 'to'] as const).map((end, i) => (
            <View key={end} style={styles.end}>
              <NumberField
                label={`Window ${end}, degrees`}
                name={`${kind}, window ${end}, degrees after firing TDC`}
                hint="after firing TDC"
                value={setAt.window[i]}
                onChange={(value) =>
                  change((own) => {
                    const window: [number, number] = [...setAt.window];
                    window[i] = value ?? NaN;
                    own.setAt = { ...setAt, window };
                  })
                }
              />
            </View>
          ))}
        </View>
      )}
      {chosen === 'base circle' && (
        <Choices
          title="Riding the lobe of the"
          of={kind}
          options={LOBES}
          chosen={entry.lobe ?? kind}
          onChoose={(lobe) =>
            change((own) => {
              if (lobe === kind) delete own.lobe;
              else own.lobe = lobe;
            })
          }
        />
      )}
      {kind === 'injector' && (
        <NumberField
          label="Set so many places later"
          name="Set on the cylinder so many places later in firing order; empty for its own"
          hint="In firing order, on that cylinder; empty for its own."
          value={entry.follows}
          error={mistakeAt(draft, `adjusters.${place}.follows`)}
          onChange={(follows) =>
            change((own) => {
              if (follows === undefined) delete own.follows;
              else own.follows = follows;
            })
          }
        />
      )}
    </Stack>
  );
}

const BEGIN: Record<Place, NonNullable<AdjusterEntry['setAt']>> = {
  'base circle': 'base',
  'full lift': { peak: 'intake' },
  window: { window: [0, 60] },
};

function placeOf({ setAt }: AdjusterEntry): Place | undefined {
  if (setAt === undefined) return undefined;
  if (setAt === 'base') return 'base circle';
  return 'peak' in setAt ? 'full lift' : 'window';
}

const styles = StyleSheet.create({
  window: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  end: { flexBasis: 150, flexGrow: 1 },
});
