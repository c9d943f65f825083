import type { EngineSheet, Spec } from '@longbar/core';
import { measureOf } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../../theme/tokens';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { takeOut } from '../entries';
import { MeasureField } from '../NumberField';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { TypedField } from '../TypedField';
import { ListQuestion } from './ListQuestion';

type Variant = NonNullable<EngineSheet['variants']>[number];
type Figures = NonNullable<Variant['adjusters']>[number];

const LIMITS = [
  ['low', 'Least'],
  ['target', 'Target'],
  ['high', 'Most'],
] as const;

/** The same engine with other figures, told by its data tag. */
export function VariantsQuestion({ draft, units }: QuestionProps) {
  const { sheet, edit } = draft;
  return (
    <ListQuestion
      title="Do data tags give other figures?"
      hint="The job asks which tag is on the engine, and judges by its figures. A kind left empty keeps the sheet’s own."
      entries={sheet.variants ?? []}
      one="tag"
      onAdd={() => edit((next) => void (next.variants ??= []).push({ tag: '' }))}
      onRemove={(place) => edit((next) => takeOut(next, 'variants', place))}
    >
      {(variant, place) => (
        <Stack gap={space.small}>
          <TypedField
            label={`Tag ${place + 1}, as stamped`}
            value={variant.tag}
            error={mistakeAt(draft, `variants.${place}.tag`)}
            onChange={(tag) => edit((next) => void (next.variants![place]!.tag = tag))}
          />
          {sheet.adjusters.map((entry) => (
            <View key={entry.kind}>
              <Words as="note">{entry.kind}</Words>
              <View style={styles.figures}>
                {LIMITS.map(([key, label]) => {
                  const { kind } = entry;
                  const own = variant.adjusters?.findIndex((each) => each.kind === kind) ?? -1;
                  const field = {
                    label,
                    name: `${label}, ${kind}, tag ${place + 1}`,
                    value: variant.adjusters?.[own]?.spec[key],
                    error: mistakeAt(draft, `variants.${place}.adjusters.${own}.spec.${key}`),
                    onChange: (value: number | undefined) =>
                      edit((next) => setFigure(next.variants![place]!, kind, key, value)),
                  };
                  return (
                    <View key={key} style={styles.figure}>
                      <MeasureField {...field} measure={measureOf(entry)} units={units} />
                    </View>
                  );
                })}
              </View>
            </View>
          ))}
        </Stack>
      )}
    </ListQuestion>
  );
}

/** Gives a kind one of its limits, or takes it away; a kind without any keeps the sheet's own. */
function setFigure(
  variant: Variant,
  kind: Figures['kind'],
  key: keyof Spec,
  value: number | undefined,
): void {
  const others = (variant.adjusters ?? []).filter((each) => each.kind !== kind);
  const before: Partial<Spec> = variant.adjusters?.find((each) => each.kind === kind)?.spec ?? {};
  const { [key]: _, ...rest } = before;
  const spec = { ...rest, ...(value !== undefined && { [key]: value }) };
  const given = Object.keys(spec).length > 0 ? [{ kind, spec }] : [];
  const next = [...others, ...given];
  // A draft may lack figures that are not typed yet.
  if (next.length > 0) Object.assign(variant, { adjusters: next });
  else delete variant.adjusters;
}

const styles = StyleSheet.create({
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  figure: { flexBasis: 96, flexGrow: 1 },
});
