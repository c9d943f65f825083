import { Choice } from '../../../ui/Choice';
import { Row, Stack } from '../../../ui/Panel';
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
      <Row>
        <Choice label={no} chosen={value === false} onPress={() => onChange(false)} />
        <Choice label={yes} chosen={value === true} onPress={() => onChange(true)} />
      </Row>
    </Stack>
  );
}
