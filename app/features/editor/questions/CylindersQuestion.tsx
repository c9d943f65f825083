import type { CylinderForm } from '@longbar/core';
import { CYLINDER_FORMS, formOf, seatingOf } from '@longbar/core';
import { StyleSheet } from 'react-native';
import { HeadMap } from '../../../drawing/HeadMap';
import { Act } from '../../../ui/Act';
import { OneOf } from '../../../ui/OneOf';
import { Row } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { MapRoom } from '../MapRoom';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { seat } from '../seat';

const FORMS: Record<CylinderForm, { label: string; detail: string }> = {
  'in-line': { label: 'In line', detail: 'one row' },
  'vee-alternating': { label: 'Vee', detail: 'numbered across' },
  'vee-by-bank': { label: 'Vee', detail: 'bank by bank' },
};
const MOST = 24;

const STROKES = [
  ['four', 'Four-stroke'],
  ['two', 'Two-stroke'],
] as const;

/** How many strokes and cylinders, and how they stand. */
export function CylindersQuestion({ draft }: QuestionProps) {
  const { sheet, drawn, edit } = draft;
  const banks = sheet.layout?.banks;
  const count = banks?.flatMap(({ cylinders }) => cylinders).length ?? sheet.firing.order.length;
  const form = formOf(sheet, count);
  const stand = (cylinders: number, shape: CylinderForm) =>
    edit((next) => seat(next, Math.max(1, Math.min(MOST, cylinders)), shape));
  return (
    <Question
      title="How many cylinders, and how do they stand?"
      mistake={mistakeAt(draft, 'layout')}
    >
      <Row style={styles.count}>
        <Act
          label="−"
          name="One cylinder fewer"
          disabled={count <= 1}
          onPress={() => stand(count - 1, form ?? 'in-line')}
        />
        <Words as="title" style={styles.figure} role="status">
          {count === 1 ? '1 cylinder' : `${count} cylinders`}
        </Words>
        <Act
          label="+"
          name="One cylinder more"
          disabled={count >= MOST}
          onPress={() => stand(count + 1, form ?? 'in-line')}
        />
      </Row>
      <OneOf
        name="How the cylinders stand"
        options={CYLINDER_FORMS.map(
          (each) => [each, FORMS[each].label, FORMS[each].detail] as const,
        )}
        inFull={(each) => `${FORMS[each].label}, ${FORMS[each].detail}`}
        chosen={form}
        onChoose={(each) => stand(count, each)}
      />
      <OneOf
        name="Strokes"
        options={STROKES}
        chosen={sheet.cycle === 4 ? 'four' : 'two'}
        onChoose={(strokes) => edit((next) => void (next.cycle = strokes === 'four' ? 4 : 2))}
      />
      <MapRoom>{(width) => <HeadMap banks={seatingOf(drawn)} cells={{}} width={width} />}</MapRoom>
    </Question>
  );
}

const styles = StyleSheet.create({
  count: { alignItems: 'center' },
  figure: { flex: 1, textAlign: 'center' },
});
