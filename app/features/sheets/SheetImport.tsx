import type { Issue, ParsedSheet, SheetLine } from '@longbar/core';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { usePublishSheetMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { Act } from '../../ui/Act';
import { Row } from '../../ui/Panel';
import { radius, space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { pickFile } from '../frame/pickFile';
import { readSheetFile } from './readSheetFile';

const JSON_FILES = '.json,application/json';

type Taken = { file: string; parsed: ParsedSheet };

/** Takes a sheet in from a file, picked or dropped; a bad one says why and changes nothing. */
export function SheetImport({ sheets }: { sheets: readonly SheetLine[] }) {
  const tokens = useTokens();
  const [taken, setTaken] = useState<Taken>();
  const [refused, setRefused] = useState<Issue[]>([]);
  const [publish, { isLoading }] = usePublishSheetMutation();
  const take = (file: File) => {
    setRefused([]);
    void file.text().then((text) => setTaken({ file: file.name, parsed: readSheetFile(text) }));
  };
  useDroppedFile(take);
  if (!taken) {
    return (
      <Act
        label="Import a sheet from a file"
        icon="unsent"
        onPress={() => pickFile(JSON_FILES, take)}
      />
    );
  }
  const { parsed } = taken;
  const known = parsed.ok ? sheets.find(({ name }) => name === parsed.sheet.name) : undefined;
  const send = async () => {
    if (!parsed.ok) return;
    const answer = await publish({ id: known?.id ?? uuid(), document: parsed.sheet });
    if (answer.error === undefined) return setTaken(undefined);
    const { message, issues } = refusalOf(answer.error);
    setRefused(issues.length > 0 ? issues : [{ path: '', message }]);
  };
  const mistakes = parsed.ok ? refused : parsed.issues;
  return (
    <View style={[styles.box, { borderColor: tokens.line, backgroundColor: tokens.sheet }]}>
      <Words as="heading">{taken.file}</Words>
      {parsed.ok && mistakes.length === 0 && (
        <Words>
          {known
            ? `It becomes revision ${known.revision + 1} of ${known.name}. Jobs already begun keep theirs.`
            : `It is a new sheet: ${parsed.sheet.name}.`}
        </Words>
      )}
      {mistakes.length > 0 && (
        <View role="alert">
          <Words as="strong" color="stop">
            Nothing was imported. To be mended:
          </Words>
          {mistakes.map(({ path, message }) => (
            <Words key={path + message} as="note">
              · {path === '' ? '' : `${path}: `}
              {message}
            </Words>
          ))}
        </View>
      )}
      <Row>
        <Act label="Cancel" onPress={() => setTaken(undefined)} style={styles.grow} />
        {parsed.ok && (
          <Act
            weight="primary"
            label={isLoading ? 'Publishing …' : 'Publish'}
            disabled={isLoading}
            onPress={() => void send()}
            style={styles.grow}
          />
        )}
      </Row>
    </View>
  );
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
