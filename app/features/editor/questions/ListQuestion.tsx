import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Question } from '../Question';

type Props<T> = {
  title: string;
  hint: string;
  entries: readonly T[];
  /** What one entry is called: "mark", "isolation". */
  one: string;
  mistake?: string | undefined;
  /** Above the entries: what else may begin the list. */
  before?: ReactNode;
  onAdd: () => void;
  onRemove: (place: number) => void;
  children: (entry: T, place: number) => ReactNode;
};

/** A question answered by a list that grows and shrinks. */
export function ListQuestion<T>(props: Props<T>) {
  const { title, hint, entries, one, mistake, before, onAdd, onRemove, children } = props;
  return (
    <Question title={title} hint={hint} mistake={mistake}>
      {before}
      {entries.map((entry, place) => (
        <Stack key={`${place} of ${entries.length}`} gap={space.small}>
          {children(entry, place)}
          <Act
            label={`Take ${one} ${place + 1} out`}
            style={{ minHeight: 44, paddingVertical: 4 }}
            onPress={() => onRemove(place)}
          />
        </Stack>
      ))}
      <View>
        <Act label={`Add one ${one}`} icon="add" onPress={onAdd} />
      </View>
    </Question>
  );
}
