import { webStyle } from '../../ui/webStyle.web';
import { isRefused, notYet, parseSheet } from '@longbar/core';
import type { ReactNode } from 'react';
import { useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../ui/Act';
import { elementOf } from '../../ui/domNode.web';
import { Row, Stack } from '../../ui/Panel';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import type { QuestionProps } from './questionProps';
import { LimitsQuestion } from './questions/LimitsQuestion';
import { OrderQuestion } from './questions/OrderQuestion';
import { PatternQuestion } from './questions/PatternQuestion';
import { ValvesQuestion } from './questions/ValvesQuestion';
import { SectionFolds } from './SectionFolds';
import type { UnitsProps } from './UnitChoice';

type Props = QuestionProps &
  UnitsProps & {
    tried: boolean;
    publish: ReactNode;
    onAnew: () => void;
  };

const STEPS = ['Which engine', 'Firing order', 'Valves', 'Limits', 'Publish'] as const;

/** A new sheet: what a first job needs, a screen at a time; then it can be published, or made complete. */
export function NewSheetSteps({ publish, onAnew, tried, ...props }: Props) {
  const [place, setPlace] = useState(0);
  const { draft } = props;
  const tokens = useTokens();
  const last = place === STEPS.length - 1;
  const top = useRef<View>(null);
  const go = (to: number) => {
    setPlace(to);
    if (top.current) elementOf(top.current).scrollIntoView({ block: 'end' });
  };
  return (
    <Stack gap={space.large}>
      <View ref={top}>
        <Words as="note" color="secondInk" role="status">
          {STEPS[place]} · step {place + 1} of {STEPS.length}
        </Words>
      </View>
      {place === 0 && <PatternQuestion draft={draft} onAnew={onAnew} />}
      {place === 1 && <OrderQuestion {...props} />}
      {place === 2 && <ValvesQuestion {...props} />}
      {place === 3 && <LimitsQuestion {...props} />}
      {last && (
        <>
          <NotYet {...props} />
          {publish}
          <Words as="heading">Everything else, when you have it</Words>
          <SectionFolds {...props} tried={tried} />
        </>
      )}
      <Row style={{ ...styles.way, backgroundColor: tokens.ground }}>
        {place > 0 && <Act label="Back" style={{ flex: 1 }} onPress={() => go(place - 1)} />}
        {!last && (
          <Act
            weight="primary"
            label="Next"
            name={`Next: ${STEPS[place + 1] ?? ''}`}
            style={{ flex: 1 }}
            onPress={() => go(place + 1)}
          />
        )}
      </Row>
    </Stack>
  );
}

/** What the sheet cannot do yet, in plain words: none of it keeps it from being published. */
function NotYet({ draft }: Pick<QuestionProps, 'draft'>) {
  const parsed = parseSheet(draft.sheet);
  if (isRefused(parsed)) return null;
  const missing = notYet(parsed.sheet);
  if (missing.length === 0) return <Words as="strong">Nothing is missing.</Words>;
  return (
    <Stack gap={space.small}>
      <Words as="heading">It can be published. What it cannot do yet:</Words>
      {missing.map((words) => (
        <Words key={words}>· {words}</Words>
      ))}
    </Stack>
  );
}

const styles = StyleSheet.create({
  /** Under the thumb, however long the step is. */
  way: webStyle({ position: 'sticky', bottom: 0, paddingVertical: space.small }),
});
