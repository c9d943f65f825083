import { Choice } from './Choice';
import { Row } from './Panel';
import { RadioGroup } from './RadioGroup';
import { Tiles } from './Tiles';

type Props<T extends string | number> = {
  /** What is chosen, for a screen reader. */
  name: string;
  /** Each with its words, and what is said below them. */
  options: readonly (readonly [option: T, label: string, detail?: string])[];
  chosen: T | undefined;
  onChoose: (option: T) => void;
  /** A choice in full for a screen reader, where its words are short. */
  inFull?: (option: T) => string;
  /** In so many columns, or in rows as long as fit; in one row unless said. */
  columns?: number | 'as fit';
};

/** One of a few, all of them in sight. */
export function OneOf<T extends string | number>(props: Props<T>) {
  const { name, options, chosen, onChoose, inFull, columns } = props;
  const choices = options.map(([option, label, detail]) => (
    <Choice
      key={option}
      label={label}
      {...(inFull && { name: inFull(option) })}
      {...(detail !== undefined && { detail })}
      chosen={option === chosen}
      onPress={() => onChoose(option)}
    />
  ));
  return (
    <RadioGroup name={name}>
      {typeof columns === 'number' ? (
        <Tiles columns={columns}>{choices}</Tiles>
      ) : (
        <Row {...(columns && { style: { flexWrap: 'wrap' } })}>{choices}</Row>
      )}
    </RadioGroup>
  );
}
