import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { useFleetsQuery } from './fleetsApi';
import { Waiting } from './Waiting';

/** The readings of telematics that wait, by themselves: whoever comes from the yard finds them. */
export function WaitingScreen() {
  const { data, isError } = useFleetsQuery(undefined, { refetchOnMountOrArgChange: true });
  return (
    <Frame title="Hours that wait" aside="They came by telematics" back="/">
      {!data && (
        <Words color="secondInk">
          {isError ? 'The server could not be reached.' : 'Fetching what waits …'}
        </Words>
      )}
      {data?.waiting.every(({ leftOut }) => leftOut) && <Words>Nothing waits.</Words>}
      <Waiting waiting={data?.waiting ?? []} />
    </Frame>
  );
}
