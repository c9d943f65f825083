import { lobeIsAssumed, lobeOf } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { NumberField } from '../NumberField';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';

const KINDS = ['intake', 'exhaust', 'injector', 'brake'] as const;
type LobeKind = (typeof KINDS)[number];

/** When the lobes open and close; typical figures stand in, and are said to, until given. */
export function LobesQuestion({ draft }: QuestionProps) {
  const { sheet } = draft;
  const ridden = KINDS.filter(
    (kind) =>
      kind === 'intake' ||
      kind === 'exhaust' ||
      sheet.adjusters.some((entry) => (entry.lobe ?? entry.kind) === kind),
  );
  return (
    <Question
      title="When do the lobes open and close?"
      hint="Degrees after the cylinder’s own firing TDC, counted on past the cycle where they run through it."
    >
      {ridden.map((kind) => (
        <LobeOf key={kind} draft={draft} kind={kind} />
      ))}
    </Question>
  );
}

function LobeOf({ draft, kind }: Pick<QuestionProps, 'draft'> & { kind: LobeKind }) {
  const { sheet, edit } = draft;
  const given = sheet.lobes?.[kind];
  const assumed = lobeIsAssumed(sheet, kind);
  const typical = lobeOf(sheet, kind);
  if (!given || assumed) {
    return (
      <Stack gap={space.small}>
        <Words as="note">
          {kind}:{' '}
          {typical
            ? `${typical.opens}° to ${typical.closes}°, assumed, typical of a four-stroke.`
            : 'no typical figure; nothing on it can be placed.'}
        </Words>
        <Act
          label={`Give the maker’s ${kind} lobe`}
          onPress={() =>
            edit((next) => {
              const figures = typical ?? { opens: NaN, closes: NaN };
              next.lobes = { ...next.lobes, [kind]: { ...figures } };
              next.lobes.assumed = KINDS.filter(
                (each) => each !== kind && next.lobes?.[each] && lobeIsAssumed(sheet, each),
              );
            })
          }
        />
      </Stack>
    );
  }
  return (
    <View style={styles.ends}>
      {(['opens', 'closes', 'peak'] as const).map((end) => (
        <View key={end} style={styles.end}>
          <NumberField
            label={`${kind} ${end}, degrees`}
            {...(end === 'peak' && {
              name: `${kind} peak, ${ELSEWHERE}, degrees`,
              hint: ELSEWHERE,
            })}
            value={given[end]}
            error={mistakeAt(draft, `lobes.${kind}.${end}`)}
            onChange={(angle) =>
              edit((next) => {
                const lobe = next.lobes?.[kind];
                if (!lobe) return;
                if (end === 'peak' && angle === undefined) delete lobe.peak;
                else lobe[end] = angle ?? NaN;
              })
            }
          />
        </View>
      ))}
    </View>
  );
}

const ELSEWHERE = 'where it is not the middle';

const styles = StyleSheet.create({
  ends: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  end: { flexBasis: 150, flexGrow: 1 },
});
