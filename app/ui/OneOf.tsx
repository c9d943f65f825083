import { Choice } from './Choice';
import { Row } from './Panel';
import { RadioGroup } from './RadioGroup';
import { Tiles } from './Tiles';

type Props<T extends string> = {
  /** What is chosen, for a screen reader. */
  name: string;
  /** Each with its words, and what is said below them. */
  options: readonly (readonly [option: T, label: string, detail?: string])[];
  chosen: T | undefined;
  onChoose: (option: T) => void;
  /** In so many columns; in one row unless said. */
  columns?: number;
};

/** One of a few, all of them in sight. */
export function OneOf<T extends string>({ name, options, chosen, onChoose, columns }: Props<T>) {
  const choices = options.map(([option, label, detail]) => (
    <Choice
      key={option}
      label={label}
      {...(detail !== undefined && { detail })}
      chosen={option === chosen}
      onPress={() => onChoose(option)}
    />
  ));
  return (
    <RadioGroup name={name}>
      {columns === undefined ? <Row>{choices}</Row> : <Tiles columns={columns}>{choices}</Tiles>}
    </RadioGroup>
  );
}
