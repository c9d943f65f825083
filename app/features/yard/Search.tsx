import { formatDay } from '@longbar/core';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSearchQuery } from '../../state/api';
import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { space, target } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Way } from '../../ui/Way';
import { Words } from '../../ui/Words';

const FEWEST = 2;
/** So long after the last letter it is looked for, ms. */
const AFTER = 250;

/** Looks for machines, and for what was written in their jobs. */
export function Search() {
  const tokens = useTokens();
  const [text, setText] = useState('');
  const words = useRested(text.trim());
  const { data, isError, isFetching } = useSearchQuery(words, { skip: words.length < FEWEST });
  const shown = words.length >= FEWEST ? data : undefined;
  return (
    <Stack gap={space.small}>
      <Field label="Find a machine, a note, a symptom" value={text} onChange={setText} />
      {isError && words.length >= FEWEST && (
        <Words color="secondInk">Looking things up needs the server.</Words>
      )}
      {shown?.length === 0 && !isFetching && <Words role="status">Nothing found.</Words>}
      {shown && shown.length > 0 && (
        <View role="list" aria-label="Found">
          {shown.map(({ kind, machine, machineName, job, at, says }, i) => (
            <View key={i} role="listitem">
              <Way
                to={job === undefined ? `/machines/${machine}` : `/jobs/${job}/record`}
                name={`${machineName}: ${says}`}
                style={[styles.found, { borderColor: tokens.line }]}
              >
                <Words as="strong">
                  {machineName}
                  {kind === 'words' && at !== undefined ? `, ${formatDay(at)}` : ''}
                </Words>
                <Words as="note" color="secondInk">
                  {says}
                </Words>
              </Way>
            </View>
          ))}
        </View>
      )}
    </Stack>
  );
}

/** The text once nobody types any more. */
function useRested(text: string): string {
  const [rested, setRested] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setRested(text), AFTER);
    return () => clearTimeout(timer);
  }, [text]);
  return rested;
}

const styles = StyleSheet.create({
  found: {
    minHeight: target.least,
    justifyContent: 'center',
    borderBottomWidth: 1,
    paddingVertical: space.small,
  },
});
