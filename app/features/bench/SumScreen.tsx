import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { SUMS } from './sums';

/** One sum by itself, with figures to begin from. */
export function SumScreen({ id }: { id: string }) {
  const sum = SUMS.find((each) => each.id === id);
  if (!sum) {
    return (
      <Frame title="Sum" back="/bench">
        <Words>There is no such sum.</Words>
      </Frame>
    );
  }
  return (
    <Frame title={sum.title} aside={sum.detail} back="/bench">
      <sum.View figures={{}} />
    </Frame>
  );
}
