import { OneOf } from '../../../ui/OneOf';
import { Stack } from '../../../ui/Panel';
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
  const name = `${of}: ${title.toLowerCase()}`;
  return (
    <Stack gap={space.hair}>
      <Words as="note">{title}</Words>
      <OneOf
        name={name}
        options={options.map((option) => [option, option] as const)}
        inFull={(option) => `${name} ${option}`}
        chosen={options.find((option) => option === chosen)}
        onChoose={onChoose}
        columns={columns}
      />
    </Stack>
  );
}
