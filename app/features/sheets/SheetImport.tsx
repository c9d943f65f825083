import { isRefused, malformed } from '@longbar/core';
import type { Issue, Malformed, SheetsReport } from '@longbar/core';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useImportSheetsMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { Act } from '../../ui/Act';
import { Row } from '../../ui/Panel';
import { radius, space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { pickFile } from '../frame/pickFile';

const JSON_FILES = '.json,application/json';

/** A file that was picked: what is in it, what an import would make of it, or why it is none. */
type Taken = { name: string; json?: unknown; report?: SheetsReport; refused?: Issue[] };

/** Imports sheets from a file, picked or dropped: first what it would do, then all or nothing. */
export function SheetImport() {
  const tokens = useTokens();
  const [taken, setTaken] = useState<Taken>();
  const [importSheets, { isLoading }] = useImportSheetsMutation();
  const send = async (name: string, file: unknown, options: { take?: true; leaveOut?: true }) => {
    const answer = await importSheets({ file, ...options });
    if (answer.error !== undefined) {
      const { message, issues } = refusalOf(answer.error);
      const refused = issues.length > 0 ? issues : [{ path: '', message }];
      setTaken({ name, json: file, refused });
    } else if (answer.data.taken) setTaken(undefined);
    else setTaken({ name, json: file, report: answer.data });
  };
  const take = async (file: File) => {
    const json = jsonOf(await file.text());
    if (isRefused(json)) setTaken({ name: file.name, refused: json.issues });
    else await send(file.name, json.value, {});
  };
  useDroppedFile((file) => void take(file));
  if (!taken) {
    return (
      <Act
        label={isLoading ? 'Looking at the file …' : 'Import sheets from a file'}
        icon="unsent"
        onPress={() => pickFile(JSON_FILES, (file) => void take(file))}
      />
    );
  }
  const { name, json, report, refused = [] } = taken;
  return (
    <View style={[styles.box, { borderColor: tokens.line, backgroundColor: tokens.sheet }]}>
      <Words as="heading">{name}</Words>
      {report?.sheets.map((line, place) => (
        <ReportLine key={place} line={line} />
      ))}
      {refused.length > 0 && (
        <View role="alert">
          <Words as="strong" color="stop">
            Nothing was imported. To be mended:
          </Words>
          <Mistakes issues={refused} />
        </View>
      )}
      <Row>
        <Act label="Cancel" onPress={() => setTaken(undefined)} style={styles.grow} />
        {report && (
          <ImportButton
            report={report}
            busy={isLoading}
            onImport={(options) => void send(name, json, options)}
          />
        )}
      </Row>
    </View>
  );
}

type ButtonProps = {
  report: SheetsReport;
  busy: boolean;
  onImport: (options: { take: true; leaveOut?: true }) => void;
};

/** Imports what there is to import; where a sheet has mistakes, the others. */
function ImportButton({ report: { sheets }, busy, onImport }: ButtonProps) {
  const mistaken = sheets.some(({ is }) => is === 'mistaken');
  if (!sheets.some(({ is }) => is === 'new' || is === 'newer')) return null;
  return (
    <Act
      weight="primary"
      label={busy ? 'Importing …' : mistaken ? 'Import the others' : 'Import'}
      disabled={busy}
      onPress={() => onImport({ take: true, ...(mistaken && { leaveOut: true }) })}
      style={styles.grow}
    />
  );
}

type Line = SheetsReport['sheets'][number];

/** What an import makes of one sheet of the file. */
function ReportLine({ line }: { line: Line }) {
  if (line.is !== 'mistaken') return <Words>{wordsOf(line)}</Words>;
  return (
    <View role="alert">
      <Words as="strong" color="stop">
        {line.name} is not imported. To be mended:
      </Words>
      <Mistakes issues={line.issues} />
    </View>
  );
}

function wordsOf({ is, name, revision }: Line): string {
  switch (is) {
    case 'new':
      return `${name} is a new sheet.`;
    case 'newer':
      return `${name} becomes revision ${revision}. Jobs already begun keep theirs.`;
    case 'same':
      return `${name} is known already, as revision ${revision}.`;
    default:
      return `${name} is an old one, revision ${revision} of the shop’s: it is left alone.`;
  }
}

function Mistakes({ issues }: { issues: readonly Issue[] }) {
  return issues.map(({ path, message }) => (
    <Words key={path + message} as="note">
      · {path === '' ? '' : `${path}: `}
      {message}
    </Words>
  ));
}

function jsonOf(text: string): { value: unknown } | Malformed {
  try {
    return { value: JSON.parse(text) };
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return malformed([{ path: '', message: `This is no JSON file: ${why}` }]);
  }
}

/** A file dropped anywhere on the page. */
function useDroppedFile(take: (file: File) => void): void {
  useEffect(() => {
    const over = (event: DragEvent) => event.preventDefault();
    const drop = (event: DragEvent) => {
      event.preventDefault();
      const file = event.dataTransfer?.files[0];
      if (file) take(file);
    };
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  });
}

const styles = StyleSheet.create({
  box: { borderWidth: 1.5, borderRadius: radius, padding: space.large, gap: space.medium },
  grow: { flex: 1 },
});
