import { Stack } from '../../ui/Panel';
import { space } from '../../theme/tokens';
import { Words } from '../../ui/Words';

type Props = {
  /** What comes out, in large. */
  figure: string;
  /** The same in another unit, or what it means. */
  also?: string | undefined;
  /** The sum with its figures. */
  formula?: string | undefined;
};

/** What comes out of a sum, and the sum written out with its figures. */
export function Outcome({ figure, also, formula }: Props) {
  return (
    <Stack gap={space.hair}>
      <Words as="title" role="status">
        {figure}
      </Words>
      {also !== undefined && <Words as="strong">{also}</Words>}
      {formula !== undefined && (
        <Words as="note" color="secondInk">
          {formula}
        </Words>
      )}
    </Stack>
  );
}
