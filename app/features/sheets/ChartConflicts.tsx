import type { ChartConflict, EngineSheet } from '@longbar/core';
import { adjusterName, chartConflicts, localDay } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useDispatch } from 'react-redux';
import { usePublishSheetMutation } from '../../state/api';
import { preferencesChanged } from '../../state/preferences';
import { refusalOf } from '../../state/refusal';
import { useAppSelector } from '../../state/store';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Row, Stack } from '../../ui/Panel';
import { radius, space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';

type Props = { id: string; sheet: EngineSheet };

/**
 * Where the manual's chart and the model differ: each a question to settle before a job goes
 * by the chart. The manual stands; the answer is kept in the sheet's next revision.
 */
export function ChartConflicts({ id, sheet }: Props) {
  const conflicts = chartConflicts(sheet);
  const open = conflicts.filter(({ answer }) => !answer);
  if (conflicts.length === 0) return null;
  return (
    <Stack>
      <Words as="heading">Where the manual and the model differ</Words>
      {open.length > 0 && (
        <Words as="strong" color="stop" role="alert">
          {open.length === 1 ? 'One question' : `${open.length} questions`} to settle before a job
          goes by this chart. The manual stands.
        </Words>
      )}
      {conflicts.map((conflict) => (
        <Conflict
          key={`${conflict.id} ${conflict.why} ${conflict.stop}`}
          {...{ id, sheet, conflict }}
        />
      ))}
    </Stack>
  );
}

function Conflict({ id, sheet, conflict }: Props & { conflict: ChartConflict }) {
  const tokens = useTokens();
  const { answer } = conflict;
  return (
    <View
      role="group"
      aria-label={`${adjusterName(conflict.id)}: ${conflict.why}`}
      style={[styles.box, { borderColor: answer ? tokens.line : tokens.stop }]}
    >
      <Words as="strong">{questionOf(conflict)}</Words>
      {answer ? (
        <Words as="note">
          Settled by {answer.by}: {answer.answer}
        </Words>
      ) : (
        <Settle {...{ id, sheet, conflict }} />
      )}
    </View>
  );
}

function questionOf({ id, stop, margin, why }: ChartConflict): string {
  const name = adjusterName(id);
  const where = stop === null ? '' : ` at stop ${stop + 1}`;
  if (why === 'not placed') return `${name} is nowhere in the chart. Does the page leave it out?`;
  if (why === 'placed twice') return `${name} is set twice, again${where}. Which is right?`;
  const room = margin === null ? '' : ` (margin ${Math.round(margin)}°)`;
  return `${name}${where} is on its lobe by the model${room}. Does the page say so?`;
}

function Settle({ id, sheet, conflict }: Props & { conflict: ChartConflict }) {
  const router = useRouter();
  const dispatch = useDispatch();
  const [publish, { isLoading }] = usePublishSheetMutation();
  const remembered = useAppSelector((state) => state.preferences.name);
  const [typed, setTyped] = useState<string>();
  const by = typed ?? remembered;
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<string>();
  const answer = words.trim() || 'Looked at the page again: it says so, and the manual stands.';
  const settle = async () => {
    const { id: adjuster, why } = conflict;
    const answered = { id: adjuster, why, answer, by: by.trim(), date: localDay(new Date()) };
    const chartAnswers = [...(sheet.chartAnswers ?? []), answered];
    dispatch(preferencesChanged({ name: by.trim() }));
    const sent = await publish({ id, document: { ...sheet, chartAnswers } });
    if (sent.error !== undefined) setProblem(refusalOf(sent.error).message);
  };
  return (
    <Stack gap={space.small}>
      <Field label="Who looked" value={by} onChange={setTyped} />
      <Field label="What more the page says" value={words} onChange={setWords} />
      <Row>
        <Act
          label="Mistyped: mend the chart"
          style={styles.grow}
          onPress={() => router.push(`/sheets/${id}/edit`)}
        />
        <Act
          weight="primary"
          label={isLoading ? 'Keeping …' : 'The page says so'}
          disabled={by.trim() === '' || isLoading}
          style={styles.grow}
          onPress={() => void settle()}
        />
      </Row>
      {problem !== undefined && (
        <Words color="stop" role="alert">
          Not kept: {problem}
        </Words>
      )}
    </Stack>
  );
}

const styles = StyleSheet.create({
  box: { borderWidth: 1.5, borderRadius: radius, padding: space.medium, gap: space.small },
  grow: { flex: 1 },
});
