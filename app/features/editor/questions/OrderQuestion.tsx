import { camLanes, commonOrders, cycleDegrees, formOf } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { CamMap } from '../../../drawing/CamMap';
import { Act } from '../../../ui/Act';
import { Choice } from '../../../ui/Choice';
import { Row, Stack } from '../../../ui/Panel';
import { RadioGroup } from '../../../ui/RadioGroup';
import { Tiles } from '../../../ui/Tiles';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { MapRoom } from '../MapRoom';
import { NumberField } from '../NumberField';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';

/** The firing order: tapped cylinder by cylinder, or one of the common ones. */
export function OrderQuestion({ draft }: QuestionProps) {
  const { sheet, drawn, edit } = draft;
  const { order } = sheet.firing;
  const cylinders = [
    ...new Set(sheet.layout?.banks.flatMap((bank) => bank.cylinders) ?? order),
  ].sort((a, b) => a - b);
  const form = formOf(sheet, cylinders.length);
  const common = form ? commonOrders(cylinders.length, form) : [];
  const fire = (next: number[]) => edit((to) => void (to.firing.order = next));
  const complete = cylinders.every((cylinder) => order.includes(cylinder));
  const next = (cylinder: number) => {
    if (complete) return fire([cylinder]);
    if (!order.includes(cylinder)) fire([...order, cylinder]);
  };
  const hint = !complete
    ? 'Tap the next cylinder to fire.'
    : order.join() === common[0]?.join()
      ? 'The commonest stands here until another is given: hold it against the manual. To give another, tap the cylinders in order.'
      : 'Tap the cylinders in order to give another one.';
  return (
    <Question
      title="In which order do they fire?"
      hint={hint}
      mistake={complete || order.length === 0 ? mistakeAt(draft, 'firing') : undefined}
    >
      <Words as="title" role="status" aria-label={`Firing order ${order.join(' ')}`}>
        {order.join(' – ') || 'None yet'}
        {complete ? '' : ' – …'}
      </Words>
      <Tiles columns={4}>
        {cylinders.map((cylinder) => {
          const place = order.indexOf(cylinder);
          return (
            <Choice
              key={cylinder}
              label={String(cylinder)}
              detail={place < 0 ? '·' : ordinal(place + 1)}
              name={`Cylinder ${cylinder}${place < 0 ? '' : ` fires ${ordinal(place + 1)}`}`}
              several
              chosen={place >= 0 && !complete}
              onPress={() => next(cylinder)}
            />
          );
        })}
      </Tiles>
      {common.length > 0 && (
        <RadioGroup name="Common orders">
          <Stack gap={space.small}>
            {common.map((each) => (
              <Choice
                key={each.join()}
                label={each.join('-')}
                name={`Common order ${each.join('-')}`}
                chosen={each.join() === order.join()}
                onPress={() => fire(each)}
              />
            ))}
          </Stack>
        </RadioGroup>
      )}
      <Gaps draft={draft} />
      <MapRoom>
        {(width) => (
          <CamMap
            lanes={camLanes(drawn)}
            cycle={cycleDegrees(drawn)}
            at={0}
            stops={[]}
            width={width}
          />
        )}
      </MapRoom>
    </Question>
  );
}

function ordinal(place: number): string {
  return `${place}${ENDINGS[rules.select(place)] ?? 'th'}`;
}
const ENDINGS: Partial<Record<Intl.LDMLPluralRule, string>> = { one: 'st', two: 'nd', few: 'rd' };
const rules = new Intl.PluralRules('en', { type: 'ordinal' });

/** The angles from one firing to the next, where they are not all alike. */
function Gaps({ draft }: Pick<QuestionProps, 'draft'>) {
  const { sheet, edit } = draft;
  const { order, gaps } = sheet.firing;
  if (order.length < 2) return null;
  if (!gaps) {
    const even = cycleDegrees(sheet) / order.length;
    return (
      <Act
        label="It fires unevenly"
        onPress={() => edit((next) => void (next.firing.gaps = order.map(() => even)))}
      />
    );
  }
  return (
    <Stack gap={space.small}>
      <Row style={styles.tiles}>
        {order.map((cylinder, i) => (
          <View key={cylinder} style={styles.gap}>
            <NumberField
              label={`From ${cylinder} to ${order[(i + 1) % order.length]}, degrees`}
              value={gaps[i]}
              onChange={(gap) => edit((next) => void (next.firing.gaps![i] = gap ?? NaN))}
            />
          </View>
        ))}
      </Row>
      <Act label="It fires evenly" onPress={() => edit((next) => void delete next.firing.gaps)} />
    </Stack>
  );
}

const styles = StyleSheet.create({
  tiles: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  gap: { flexBasis: 150, flexGrow: 1 },
});
