import { Choice } from '../../../ui/Choice';
import { Stack } from '../../../ui/Panel';
import { RadioGroup } from '../../../ui/RadioGroup';
import { Tiles } from '../../../ui/Tiles';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';

type ChoicesProps<T extends string> = {
  title: string;
  of: string;
  options: readonly T[];
  chosen: string;
  onChoose: (option: T) => void;
};

export function Choices<T extends string>(props: ChoicesProps<T>) {
  const { title, of, options, chosen, onChoose } = props;
  const long = options.length > 3 && options.some((option) => option.length > 6);
  const columns = long ? 2 : options.length;
  return (
    <Stack gap={space.hair}>
      <Words as="note">{title}</Words>
      <RadioGroup name={`${of}: ${title.toLowerCase()}`}>
        <Tiles columns={columns}>
          {options.map((option) => (
            <Choice
              key={option}
              label={option}
              name={`${of}: ${title.toLowerCase()} ${option}`}
              chosen={chosen === option}
              onPress={() => onChoose(option)}
            />
          ))}
        </Tiles>
      </RadioGroup>
    </Stack>
  );
}
