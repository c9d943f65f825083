import { OneOf } from '../../ui/OneOf';

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
    <OneOf
      name={label}
      columns={2}
      options={answers.map((each) => [each, said[each]] as const)}
      chosen={chosen}
      onChoose={onSay}
    />
  );
}
