import { measureOf } from '@longbar/core';
import { useContext, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { MeasureField } from '../NumberField';
import { TriedContext } from '../TypedField';
import type { AdjusterProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { Choices } from './Choices';
import type { FiguresAs, TypedFigures } from './typedFigures';
import { FIELDS_AS, FIGURES_AS, shownAs, specFrom } from './typedFigures';

/** The limits of one kind, typed as the manual prints them. */
export function Figures({ draft, units, entry, place }: AdjusterProps) {
  const path = `adjusters.${place}.spec`;
  const { spec } = entry;
  const as = draft.printedAs[place] ?? 'three';
  const [typed, setTyped] = useState<TypedFigures>(() => shownAs(as, spec));
  const tried = useContext(TriedContext);
  const [touched, setTouched] = useState<readonly string[]>([]);
  const wrong = FIELDS_AS[as].flatMap(({ key, label, mends }) => {
    // The sheet's own words are for a file, too; whoever types sees what is typed.
    const mistake = Number.isNaN(typed[key])
      ? 'what is typed is no number.'
      : mends.map((each) => mistakeAt(draft, `${path}.${each}`)).find(Boolean);
    return mistake && (tried || touched.includes(key)) ? [{ key, label, mistake }] : [];
  });
  const keep = (key: keyof TypedFigures, value: number | undefined) => {
    const next = { ...typed, [key]: value };
    setTyped(next);
    setTouched([...touched, key]);
    draft.edit((sheet) => {
      const own = sheet.adjusters[place];
      if (!own) return;
      const made = specFrom(as, next, own.spec);
      // A draft may lack figures that are not typed yet.
      if (made) Object.assign(own, { spec: made });
      else delete own.spec;
    });
  };
  const choose = (how: FiguresAs) => {
    draft.printAs(place, how);
    setTouched([]);
    setTyped(shownAs(how, spec));
  };
  return (
    <Stack gap={space.small}>
      <Choices
        title="The manual gives"
        of={entry.kind}
        options={FIGURES_AS.map(({ title }) => title)}
        chosen={FIGURES_AS.find(({ how }) => how === as)?.title ?? ''}
        onChoose={(title) => choose(FIGURES_AS.find((each) => each.title === title)?.how ?? as)}
      />
      <View style={styles.figures}>
        {FIELDS_AS[as].map(({ key, label }) => {
          const field = {
            label,
            name: `${label}, ${entry.kind}`,
            value: typed[key],
            onChange: (value: number | undefined) => keep(key, value),
            mistaken: wrong.some((each) => each.key === key),
          };
          return (
            <View key={`${as} ${key}`} style={styles.figure}>
              <MeasureField {...field} measure={measureOf(entry)} units={units} />
            </View>
          );
        })}
      </View>
      {wrong.map(({ key, label, mistake }) => (
        <Words key={key} as="note" color="stop" role="alert">
          {label}: {mistake}
        </Words>
      ))}
      {!spec && (
        <Words as="note" color="secondInk">
          No figure given: it can be barred to, but not judged.
        </Words>
      )}
    </Stack>
  );
}

const styles = StyleSheet.create({
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  figure: { flexBasis: 96, flexGrow: 1 },
});
