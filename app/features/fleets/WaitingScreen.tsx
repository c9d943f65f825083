import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { Coming } from '../shared/Coming';
import { useFleetsQuery } from './fleetsApi';
import { Waiting } from './Waiting';

/** The readings of telematics that wait, by themselves: whoever comes from the yard finds them. */
export function WaitingScreen() {
  const asked = useFleetsQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data } = asked;
  return (
    <Frame title="Hours that wait" aside="They came by telematics" back="/">
      {!data && <Coming what="what waits" of={asked} />}
      {data?.waiting.every(({ leftOut }) => leftOut) && <Words>Nothing waits.</Words>}
      <Waiting waiting={data?.waiting ?? []} />
    </Frame>
  );
}
