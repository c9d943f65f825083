import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { AnySum } from './AnySum';
import { sumOf } from './sums';

/** One sum by itself, with figures to begin from. */
export function SumScreen({ id }: { id: string }) {
  const sum = sumOf(id);
  if (!sum) {
    return (
      <Frame title="Sum" back="/bench">
        <Words>There is no such sum.</Words>
      </Frame>
    );
  }
  return (
    <Frame title={sum.title} aside={sum.detail} back="/bench">
      <AnySum id={sum.id} figures={{}} />
    </Frame>
  );
}
