import { Choice } from '../../ui/Choice';
import { Tiles } from '../../ui/Tiles';

type Props = {
  of: readonly { id: string; name: string }[];
  /** What was left out, by id. */
  without: ReadonlySet<string>;
  onChange: (without: ReadonlySet<string>) => void;
};

/** Some of a list, all of it to begin with: what is pressed is left out, or taken back in. */
export function AllBut({ of, without, onChange }: Props) {
  const turn = (id: string) => {
    const next = new Set(without);
    if (!next.delete(id)) next.add(id);
    onChange(next);
  };
  return (
    <Tiles columns={2}>
      {of.map(({ id, name }) => (
        <Choice key={id} label={name} several chosen={!without.has(id)} onPress={() => turn(id)} />
      ))}
    </Tiles>
  );
}
