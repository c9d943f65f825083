import { View } from 'react-native';
import { useRetiredMachinesQuery } from '../../state/api';
import { HeadGlyph } from '../../drawing/HeadGlyph';
import { LinkRow } from '../../ui/LinkRow';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';

/** The machines that are out of the yard, each with its records. */
export function RetiredScreen() {
  const { data, isError } = useRetiredMachinesQuery(undefined, {
    refetchOnMountOrArgChange: true,
  });
  return (
    <Frame
      title="Retired machines"
      aside="Kept with their records; nothing of them falls due"
      back="/"
    >
      {!data && (
        <Words color="secondInk">
          {isError ? 'The server could not be reached.' : 'Fetching the machines …'}
        </Words>
      )}
      {data?.length === 0 && <Words>No machine is retired.</Words>}
      <View role="list" aria-label="Retired machines">
        {data?.map(({ id, name, engine, jobs, head }) => (
          <LinkRow
            key={id}
            to={`/machines/${id}`}
            title={name}
            {...(head && { picture: <HeadGlyph head={head} /> })}
            name={`${name}, ${engine}`}
            detail={`${engine} · ${jobs.signed} ${jobs.signed === 1 ? 'check' : 'checks'} on record`}
          />
        ))}
      </View>
    </Frame>
  );
}
