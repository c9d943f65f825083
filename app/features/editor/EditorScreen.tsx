import type { EngineSheet, SheetDetail } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { v4 as uuid } from 'uuid';
import { usePublishSheetMutation, useSheetQuery } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { useCrank } from '../../drawing/crank';
import { Act } from '../../theme/Act';
import { Choice } from '../../theme/Choice';
import { Row, Stack } from '../../theme/Panel';
import { space, WIDE } from '../../theme/tokens';
import { Words } from '../../theme/Words';
import { Frame } from '../frame/Frame';
import { EngineView } from '../sheets/EngineView';
import { NEW_SHEET } from './newSheet';
import type { LengthUnit } from './questionProps';
import { AdjustersQuestion } from './questions/AdjustersQuestion';
import { BarringQuestion } from './questions/BarringQuestion';
import { ChartQuestion } from './questions/ChartQuestion';
import { CylindersQuestion } from './questions/CylindersQuestion';
import { IsolationsQuestion } from './questions/IsolationsQuestion';
import { LobesQuestion } from './questions/LobesQuestion';
import { MarksQuestion } from './questions/MarksQuestion';
import { NameQuestion } from './questions/NameQuestion';
import { OrderQuestion } from './questions/OrderQuestion';
import { RotationQuestion } from './questions/RotationQuestion';
import { ServiceQuestion } from './questions/ServiceQuestion';
import { TemperatureQuestion } from './questions/TemperatureQuestion';
import { ValvesQuestion } from './questions/ValvesQuestion';
import type { Draft } from './useDraft';
import { useDraft } from './useDraft';

/** A conversation with an engine: one question after the other, the drawings answering. */
export function EditorScreen({ id }: { id: string | undefined }) {
  const { data, isError } = useSheetQuery(id ?? '', { skip: id === undefined });
  if (id === undefined) return <Editor base={NEW_SHEET} />;
  if (data) return <Editor base={data.document} published={data} />;
  return (
    <Frame title="Sheet" back={`/sheets/${id}`}>
      <Words>{isError ? 'The server does not give this sheet.' : 'Fetching the sheet …'}</Words>
    </Frame>
  );
}

function Editor({ base, published }: { base: EngineSheet; published?: SheetDetail }) {
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const [unit, setUnit] = useState<LengthUnit>('mm');
  const [anew, setAnew] = useState(0);
  const draft = useDraft(published ? `${published.id}.${published.revision}` : 'new', base);
  const discard = () => {
    draft.discard();
    // Fields hold what was typed; new ones begin from the sheet again.
    setAnew(anew + 1);
  };
  const props = { draft, unit };
  return (
    <Frame
      title={published ? published.document.name : 'A new engine'}
      aside={published ? `Revision ${published.revision + 1}, being written` : 'Its first sheet'}
      back={published ? `/sheets/${published.id}` : '/sheets'}
    >
      <View style={wide ? styles.wide : undefined}>
        <Stack key={anew} gap={space.large} style={wide ? styles.questions : {}}>
          <NameQuestion {...props} />
          <CylindersQuestion {...props} />
          <OrderQuestion {...props} />
          <RotationQuestion {...props} />
          <ValvesQuestion {...props} />
          <UnitSwitch unit={unit} onUnit={setUnit} />
          <AdjustersQuestion {...props} />
          <TemperatureQuestion {...props} />
          <LobesQuestion {...props} />
          <MarksQuestion {...props} />
          <BarringQuestion {...props} />
          <IsolationsQuestion {...props} />
          <ServiceQuestion {...props} />
          <ChartQuestion {...props} />
          <Publish {...{ draft, published }} onDiscard={discard} />
        </Stack>
        {wide && <Drawings draft={draft} width={Math.min(460, width * 0.36)} />}
      </View>
    </Frame>
  );
}

function UnitSwitch({ unit, onUnit }: { unit: LengthUnit; onUnit: (unit: LengthUnit) => void }) {
  return (
    <Row>
      {(['mm', 'thou'] as const).map((each) => (
        <Choice
          key={each}
          label={`Figures in ${each}`}
          chosen={unit === each}
          onPress={() => onUnit(each)}
        />
      ))}
    </Row>
  );
}

const NO_STOPS: readonly number[] = [];

function Drawings({ draft, width }: { draft: Draft; width: number }) {
  const crank = useCrank();
  return (
    <View style={[{ width }, styles.sticky]}>
      <EngineView sheet={draft.drawn} crank={crank} stops={NO_STOPS} width={width} />
    </View>
  );
}

type PublishProps = { draft: Draft; published: SheetDetail | undefined; onDiscard: () => void };

function Publish({ draft, published, onDiscard }: PublishProps) {
  const router = useRouter();
  const [publish, { isLoading }] = usePublishSheetMutation();
  const [refused, setRefused] = useState<string>();
  const { issues, changed } = draft;
  const send = async () => {
    const answer = await publish({ id: published?.id ?? uuid(), document: draft.sheet });
    if (answer.error !== undefined) return setRefused(refusalOf(answer.error).message);
    draft.discard();
    router.replace(`/sheets/${answer.data.id}`);
  };
  return (
    <Stack>
      {issues.length > 0 && changed && (
        <Words as="strong" color="stop" role="status">
          {issues.length === 1 ? 'One thing' : `${issues.length} things`} to be mended before it can
          be published: {issues[0]?.message}
        </Words>
      )}
      {refused !== undefined && (
        <Words as="strong" color="stop" role="alert">
          Not published: {refused} What you typed is kept here.
        </Words>
      )}
      <Row>
        <Act label="Put it away" disabled={!changed} onPress={onDiscard} style={styles.grow} />
        <Act
          weight="primary"
          label={isLoading ? 'Publishing …' : `Publish revision ${(published?.revision ?? 0) + 1}`}
          disabled={!changed || issues.length > 0 || isLoading}
          onPress={() => void send()}
          style={styles.grow}
        />
      </Row>
    </Stack>
  );
}

const styles = StyleSheet.create({
  wide: { flexDirection: 'row', gap: space.huge, alignItems: 'flex-start' },
  questions: { flex: 1 },
  grow: { flex: 1 },
  sticky: { position: 'sticky', top: space.large } as object,
});
