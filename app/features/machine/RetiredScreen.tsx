import { View } from 'react-native';
import { useRetiredMachinesQuery } from '../../state/api';
import { HeadGlyph } from '../../drawing/HeadGlyph';
import { LinkRow } from '../../ui/LinkRow';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { Coming } from '../shared/Coming';

/** The machines that are out of the yard, each with its records. */
export function RetiredScreen() {
  const asked = useRetiredMachinesQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data } = asked;
  return (
    <Frame
      title="Retired machines"
      aside="Kept with their records; nothing of them falls due"
      back="/"
    >
      {!data && <Coming what="the machines" of={asked} />}
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
