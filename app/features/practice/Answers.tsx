import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Tiles } from '../../ui/Tiles';

type Props<Answer extends string> = {
  label: string;
  /** What may be said, in its words. */
  said: Record<Answer, string>;
  answers: readonly Answer[];
  chosen: Answer | undefined;
  onSay: (answer: Answer) => void;
};

/** The answers of an exercise, one of which is said. */
export function Answers<Answer extends string>(props: Props<Answer>) {
  const { label, said, answers, chosen, onSay } = props;
  return (
    <View role="radiogroup" aria-label={label}>
      <Tiles columns={2}>
        {answers.map((each) => (
          <Choice
            key={each}
            label={said[each]}
            chosen={each === chosen}
            onPress={() => onSay(each)}
          />
        ))}
      </Tiles>
    </View>
  );
}
