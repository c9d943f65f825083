import { placeOf } from '../../ui/placeOf.web';
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Act } from '../../ui/Act';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Row } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import type { LabelChoices } from './useLabelChoices';
import { PAPER_NAMES, PAPERS } from '../shared/paper';
import type { LabelFormat } from './labelFormats';
import { pixels } from './labelFormats';
import { LabelSheets } from './LabelSheets';

type Props = {
  title: string;
  back: string;
  backTo: string;
  choices: LabelChoices;
  format: LabelFormat;
  labels: readonly ReactNode[];
  /** What else is chosen above the sheets. */
  children?: ReactNode;
};

/** Labels to be printed: what is chosen stays off the paper. */
export function LabelPage({ title, back, backTo, choices, format, labels, children }: Props) {
  const tokens = useTokens();
  const { width } = useWindowDimensions();
  const router = useRouter();
  const { paper, setPaper, firstText, setFirst, skip, mistake } = choices;
  const places = format.columns * format.rows;
  return (
    <ScrollView style={{ backgroundColor: tokens.ground }}>
      <View role="toolbar" aria-label="What is printed" style={styles.choices}>
        <Row style={styles.between}>
          <Act label={back} icon="back" onPress={() => router.replace(placeOf(backTo))} />
          <Act
            weight="primary"
            label="Print"
            icon="print"
            disabled={labels.length === 0}
            onPress={() => window.print()}
          />
        </Row>
        <Words as="title" role="heading">
          {title}
        </Words>
        {children}
        <Row>
          {PAPER_NAMES.map((each) => (
            <Choice
              key={each}
              label={PAPERS[each].name}
              chosen={paper === each}
              onPress={() => setPaper(each)}
            />
          ))}
        </Row>
        <Field
          label={`Begin at label (1 to ${places})`}
          inputMode="numeric"
          value={firstText}
          onChange={setFirst}
          error={mistake(places)}
        />
        <Words as="note" color="secondInk">
          Print at 100 %, without fitting to the page: a label is {format.label.width} ×{' '}
          {format.label.height} mm.
        </Words>
        {labels.length > 0 && width < pixels(PAPERS[paper].width) && (
          <View aria-hidden style={[styles.one, { width: pixels(format.label.width) }]}>
            {labels[0]}
          </View>
        )}
      </View>
      <LabelSheets {...{ paper, format, labels }} skip={Math.min(skip, places - 1)} />
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  // Nothing around the sheets is on the paper: what stands apart belongs to the choices.
  choices: {
    gap: space.medium,
    padding: space.large,
    width: '100%',
    maxWidth: 720,
    alignSelf: 'center',
  },
  // On a narrow screen the sheets are too small to be read: one label stands above as it is.
  one: { backgroundColor: '#ffffff', alignSelf: 'center' },
  between: { justifyContent: 'space-between' },
});
