import { OneOf } from '../../../ui/OneOf';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';

type Props = {
  question: string;
  value: boolean | undefined;
  onChange: (value: boolean) => void;
  yes: string;
  no: string;
};

/** A question of two answers, neither of them taken for granted. */
export function YesNo({ question, value, onChange, yes, no }: Props) {
  return (
    <Stack gap={8}>
      <Words as="strong">{question}</Words>
      <OneOf
        name={question}
        options={[
          ['no', no],
          ['yes', yes],
        ]}
        chosen={value === undefined ? undefined : value ? 'yes' : 'no'}
        onChoose={(answer) => onChange(answer === 'yes')}
      />
    </Stack>
  );
}
