import type { CylinderForm } from '@longbar/core';
import { CYLINDER_FORMS, formOf, seatingOf } from '@longbar/core';
import { StyleSheet } from 'react-native';
import { HeadMap } from '../../../drawing/HeadMap';
import { Act } from '../../../ui/Act';
import { Choice } from '../../../ui/Choice';
import { Row } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { seat } from '../seat';
import { useMapWidth } from '../useMapWidth';

const FORMS: Record<CylinderForm, { label: string; detail: string }> = {
  'in-line': { label: 'In line', detail: 'one row' },
  'vee-alternating': { label: 'Vee', detail: 'numbered across' },
  'vee-by-bank': { label: 'Vee', detail: 'bank by bank' },
};
const MOST = 24;

/** How many strokes and cylinders, and how they stand. */
export function CylindersQuestion({ draft }: QuestionProps) {
  const { sheet, drawn, edit } = draft;
  const width = useMapWidth();
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
      <Row>
        {CYLINDER_FORMS.map((each) => (
          <Choice
            key={each}
            {...FORMS[each]}
            name={`${FORMS[each].label}, ${FORMS[each].detail}`}
            chosen={form === each}
            onPress={() => stand(count, each)}
          />
        ))}
      </Row>
      <Row>
        {([4, 2] as const).map((cycle) => (
          <Choice
            key={cycle}
            label={cycle === 4 ? 'Four-stroke' : 'Two-stroke'}
            chosen={sheet.cycle === cycle}
            onPress={() => edit((next) => void (next.cycle = cycle))}
          />
        ))}
      </Row>
      <HeadMap banks={seatingOf(drawn)} cells={{}} width={width} />
    </Question>
  );
}

const styles = StyleSheet.create({
  count: { alignItems: 'center' },
  figure: { flex: 1, textAlign: 'center' },
});
