import { webStyle } from '../../ui/webStyle.web';
import type { EngineSheet, SheetDetail, Units } from '@longbar/core';
import { unitsShown } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { useSheetQuery } from '../../state/api';
import { useCrank } from '../../drawing/crank';
import { Stack } from '../../ui/Panel';
import { space, WIDE } from '../../theme/tokens';
import { Frame } from '../frame/Frame';
import { Coming } from '../shared/Coming';
import { EngineView } from '../sheets/EngineView';
import { NewSheetSteps } from './NewSheetSteps';
import { NEW_SHEET } from './newSheet';
import { Publish } from './Publish';
import { SectionFolds } from './SectionFolds';
import { TriedContext } from './TypedField';
import type { Draft } from './useDraft';
import { useDraft } from './useDraft';

/** A conversation with an engine: a new one in steps, a known one section by section. */
export function EditorScreen({ id }: { id: string | undefined }) {
  const asked = useSheetQuery(id ?? '', { skip: id === undefined });
  const published = asked.data;
  if (id === undefined) {
    return (
      <Frame title="A new engine" aside="Its first sheet" back="/sheets">
        <Editor base={NEW_SHEET} />
      </Frame>
    );
  }
  // One frame before and after: a finger that rests on a place or on the way back leads there.
  return (
    <Frame
      title={published?.document.name ?? 'Sheet'}
      aside={published && `Revision ${published.revision + 1}, being written`}
      back={`/sheets/${id}`}
    >
      {published ? (
        <Editor base={published.document} published={published} />
      ) : (
        <Coming what="the sheet" of={asked} />
      )}
    </Frame>
  );
}

function Editor({ base, published }: { base: EngineSheet; published?: SheetDetail }) {
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const [units, setUnits] = useState<Units>(unitsShown);
  const [anew, setAnew] = useState(0);
  const [tried, setTried] = useState(false);
  const draft = useDraft(published ? `${published.id}.${published.revision}` : 'new', base);
  // Fields hold what was typed; new ones begin from the sheet again.
  const beginAnew = () => setAnew((before) => before + 1);
  const discard = () => {
    draft.discard();
    setTried(false);
    beginAnew();
  };
  const publish = (
    <Publish {...{ draft, published }} onDiscard={discard} onTry={() => setTried(true)} />
  );
  const props = { draft, units, onUnits: setUnits };
  return (
    <TriedContext value={tried}>
      <View style={wide ? styles.wide : undefined}>
        <Stack key={anew} gap={space.large} style={wide ? styles.questions : {}}>
          {published ? (
            <>
              <SectionFolds {...props} tried={tried} />
              {publish}
            </>
          ) : (
            <NewSheetSteps {...props} tried={tried} publish={publish} onAnew={beginAnew} />
          )}
        </Stack>
        {wide && <Drawings draft={draft} width={Math.min(460, width * 0.36)} />}
      </View>
    </TriedContext>
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

const styles = StyleSheet.create({
  wide: { flexDirection: 'row', gap: space.huge, alignItems: 'flex-start' },
  questions: { flex: 1 },
  sticky: webStyle({ position: 'sticky', top: space.large }),
});
