import { isRefused } from '@longbar/core';
import { useState } from 'react';
import { View } from 'react-native';
import { API } from '../../api/request';
import { Act } from '../../ui/Act';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { pickFile } from '../frame/pickFile';
import type { Taken } from './takeArchive';
import { sendArchive } from './takeArchive';

/**
 * Every reading as a table; for a foreman everything there is as one file, and an archive into an
 * empty shop.
 */
export function ExportImport({ whole }: { whole: boolean }) {
  const [taken, setTaken] = useState<Taken>();
  const look = async (file: File) => setTaken(await sendArchive(file, true));
  return (
    <Stack>
      <Words as="heading">Export and import</Words>
      {whole && (
        <Words as="note" color="secondInk">
          The archive holds everything there is: rules, sheets, machines, hours, jobs, photos. Its
          format is open and written down.
        </Words>
      )}
      <Row>
        {whole && (
          <Act
            label="The whole shop"
            name="Save the whole shop as an archive"
            icon="save"
            style={{ flex: 1 }}
            onPress={() => window.open(`${API}/archive`)}
          />
        )}
        <Act
          label="Readings, CSV"
          name="Readings, CSV: save every one"
          icon="save"
          style={{ flex: 1 }}
          onPress={() => window.open(`${API}/readings.csv`)}
        />
      </Row>
      {whole && (
        <Act
          label="Import an archive into this shop"
          icon="unsent"
          onPress={() => pickFile('.jsonl,application/x-ndjson', (file) => void look(file))}
        />
      )}
      {taken && <Preview taken={taken} onTaken={setTaken} />}
    </Stack>
  );
}

type Props = { taken: Taken; onTaken: (taken: Taken | undefined) => void };

function Preview({ taken, onTaken }: Props) {
  const { file, answer } = taken;
  if (isRefused(answer)) {
    return (
      <View role="alert">
        <Words as="strong" color="stop">
          {file.name}: nothing was imported.
        </Words>
        {answer.issues.map(({ path, message }) => (
          <Words key={path + message} as="note">
            · {path === '' ? '' : `${path}: `}
            {message}
          </Words>
        ))}
      </View>
    );
  }
  const holds = Object.entries(answer.counts)
    .filter(([kind]) => kind !== 'archive' && kind !== 'end')
    .map(([kind, count]) => `${count} ${KINDS[kind] ?? kind}`)
    .join(', ');
  if (!taken.preview) return <Words role="status">Imported: {holds}.</Words>;
  return (
    <Stack>
      <Words>
        {file.name} holds {holds}. It is imported into an empty shop only, all of it or nothing.
      </Words>
      <Row>
        <Act label="Cancel" style={{ flex: 1 }} onPress={() => onTaken(undefined)} />
        <Act
          label="Import it"
          style={{ flex: 1 }}
          onPress={() => void sendArchive(file, false).then(onTaken)}
        />
      </Row>
    </Stack>
  );
}

const KINDS: Record<string, string> = {
  shop: 'set of rules',
  sheet: 'sheet revisions',
  machine: 'machines',
  hours: 'hour readings',
  job: 'jobs',
  event: 'entries',
  blob: 'photos and clips',
};
