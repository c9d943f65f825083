import { useMachinesQuery } from '../../state/api';
import { useAppSelector } from '../../state/store';
import { useSync } from '../../sync/SyncProvider';
import { Act } from '../../ui/Act';
import { Words } from '../../ui/Words';
import { refusedWords } from './refusedWords';
import { saveFile } from '../frame/saveFile';

/** What the server refused, with its reasons: sent once more, or saved. */
export function Refused() {
  const sync = useSync();
  const jobs = useAppSelector((state) => state.jobs.byId);
  const aside = useAppSelector((state) => state.jobs.unsent.aside);
  const { data: machines = [] } = useMachinesQuery();
  return (
    <>
      <Words>The server refused these; they are kept here, and the rest went on:</Words>
      {aside.map(({ item, why }, i) => (
        <Words key={i} as="note">
          · {refusedWords(item, { jobs, machines })}: {why}
        </Words>
      ))}
      <Act label="Send them again" icon="unsent" onPress={() => void sync.sendAgain()} />
      <Act
        label="Save them as a file"
        icon="save"
        onPress={() => saveFile('long-bar-refused.json', aside)}
      />
    </>
  );
}
