import type { Issue, SheetLine } from '@longbar/core';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useSheetsQuery } from '../../state/api';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Choice } from '../../ui/Choice';
import { DateField } from '../../ui/DateField';
import { Field } from '../../ui/Field';
import { Fold } from '../../ui/Fold';
import { Stack } from '../../ui/Panel';
import { RadioGroup } from '../../ui/RadioGroup';
import { Words } from '../../ui/Words';
import { Coming } from '../shared/Coming';
import { useSheetsBy } from '../shared/useKnown';
import { PlatePhoto } from './PlatePhoto';
import type { TypedMachine } from './typedMachine';

type Props = {
  typed: TypedMachine;
  onType: (typed: TypedMachine) => void;
  /** What is wrong, once somebody tried to save it. */
  issues: readonly Issue[];
  /** Whether the hours of today are asked for: of a new machine nothing is known yet. */
  asksHours: boolean;
};

/** All that is said of a machine: what a first job needs, the rest folded away. */
export function MachineForm({ typed, onType, issues, asksHours }: Props) {
  const set = (key: keyof TypedMachine) => (text: string) => onType({ ...typed, [key]: text });
  const wrong = (key: string) => issues.find(({ path }) => path === key)?.message;
  const field = (key: keyof TypedMachine, label: string, figure = false) => (
    <Field
      label={label}
      value={typed[key]}
      onChange={set(key)}
      error={wrong(key)}
      {...(figure && { inputMode: 'decimal' as const })}
    />
  );
  return (
    <Stack gap={space.large}>
      {field('name', 'Name of the machine')}
      <SheetChoice chosen={typed.sheet} onChoose={set('sheet')} error={wrong('sheet')} />
      {asksHours && field('hours', 'Hours on the meter today', true)}
      {field('place', 'Where it stands')}
      {field('owner', 'Whose it is')}
      <Fold
        title="Serial number, data tag, plate"
        holds={heldBy(typed, ['serial', 'tag', 'photo'])}
        wrong={['serial', 'tag', 'photo'].some((key) => wrong(key))}
      >
        {field('serial', 'Serial number of the engine')}
        <TagChoice sheet={typed.sheet} tag={typed.tag} onTag={set('tag')} error={wrong('tag')} />
        <PlatePhoto photo={typed.photo} onPhoto={set('photo')} />
      </Fold>
      <Fold
        title="In service since, hours a year"
        holds={heldBy(typed, ['inServiceSince', 'hoursThen', 'hoursAYear'])}
        wrong={['inServiceSince', 'hoursThen', 'hoursAYear'].some((key) => wrong(key))}
      >
        <DateField
          label="In service since"
          value={typed.inServiceSince}
          onChange={set('inServiceSince')}
          error={wrong('inServiceSince')}
        />
        {field('hoursThen', 'Hours on the meter that day', true)}
        {field('hoursAYear', 'Hours a year, estimated', true)}
        <Words as="note" color="secondInk">
          The estimate serves until readings of the hour meter tell better.
        </Words>
      </Fold>
    </Stack>
  );
}

const HELD: Partial<Record<keyof TypedMachine, (text: string) => string>> = {
  serial: (text) => text,
  tag: (text) => `tag ${text}`,
  photo: () => 'a photo',
  inServiceSince: (text) => `since ${text}`,
  hoursThen: (text) => `${text} h then`,
  hoursAYear: (text) => `${text} h a year`,
};

/** In one line what these fields hold. */
function heldBy(typed: TypedMachine, keys: readonly (keyof TypedMachine)[]): string {
  const held = keys.flatMap((key) => {
    const words = HELD[key];
    return typed[key] === '' || !words ? [] : [words(typed[key])];
  });
  return held.length > 0 ? held.join(', ') : 'Nothing yet. A first job needs none of it.';
}

type SheetProps = { chosen: string; onChoose: (id: string) => void; error: string | undefined };

function SheetChoice({ chosen, onChoose, error }: SheetProps) {
  const router = useRouter();
  const asked = useSheetsQuery();
  const { data } = asked;
  return (
    <Stack gap={space.small}>
      <Words as="strong">Which engine sheet does it go by?</Words>
      {!data && <Coming what="the sheets" of={asked} />}
      {data?.length === 0 && (
        <Words color="secondInk">There is no sheet yet: the engine is written first.</Words>
      )}
      <RadioGroup name="Engine sheet" style={styles.sheets}>
        {data?.map((sheet: SheetLine) => (
          <View key={sheet.id} style={styles.sheet}>
            <Choice
              label={sheet.name}
              detail={`Revision ${sheet.revision}`}
              chosen={sheet.id === chosen}
              onPress={() => onChoose(sheet.id)}
            />
          </View>
        ))}
      </RadioGroup>
      {error !== undefined && (
        <Words as="note" color="stop" role="alert">
          {error}
        </Words>
      )}
      <Act
        label="Write a sheet for its engine"
        icon="add"
        onPress={() => router.push('/sheets/new')}
      />
    </Stack>
  );
}

type TagProps = {
  sheet: string;
  tag: string;
  onTag: (tag: string) => void;
  error: string | undefined;
};

/** The tags that the sheet knows; typed where it knows none. */
function TagChoice({ sheet, tag, onTag, error }: TagProps) {
  const sheetBy = useSheetsBy(sheet === '' ? [] : [sheet]);
  const variants = sheetBy(sheet)?.document.variants ?? [];
  if (variants.length === 0)
    return <Field label="Data tag" value={tag} onChange={onTag} error={error} />;
  return (
    <RadioGroup name="Data tag" style={styles.sheets}>
      {variants.map((variant) => (
        <View key={variant.tag} style={styles.sheet}>
          <Choice
            label={variant.tag}
            chosen={variant.tag === tag}
            onPress={() => onTag(variant.tag === tag ? '' : variant.tag)}
          />
        </View>
      ))}
    </RadioGroup>
  );
}

const styles = StyleSheet.create({
  sheets: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  sheet: { flexGrow: 1, flexBasis: 150 },
});
