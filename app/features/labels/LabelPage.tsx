import type { ReactNode } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Field } from '../../ui/Field';
import { PAPERS, pixels } from '../shared/paper';
import { TruePage } from '../shared/TruePage';
import { Fitted } from './Fitted';
import type { LabelFormat } from './labelFormats';
import { labelSheets } from './labelSheets';
import type { LabelChoices } from './useLabelChoices';

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

/** Labels to be printed, and from which place of the sheet on. */
export function LabelPage({ choices, format, labels, children, ...page }: Props) {
  const { width } = useWindowDimensions();
  const { paper, setPaper, firstText, setFirst, skip, mistake } = choices;
  const places = format.columns * format.rows;
  const { label } = format;
  const fitted = labels.map((each, i) => (
    <Fitted key={i} {...label}>
      {each}
    </Fitted>
  ));
  return (
    <TruePage
      {...page}
      paper={paper}
      onPaper={setPaper}
      pages={
        labels.length === 0
          ? []
          : labelSheets(fitted, { paper, format, skip: Math.min(skip, places - 1) })
      }
      size={`a label is ${label.width} × ${label.height} mm`}
    >
      {children}
      <Field
        label={`Begin at label (1 to ${places})`}
        inputMode="numeric"
        value={firstText}
        onChange={setFirst}
        error={mistake(places)}
      />
      {labels.length > 0 && width < pixels(PAPERS[paper].width) && (
        <View aria-hidden style={styles.one}>
          {fitted[0]}
        </View>
      )}
    </TruePage>
  );
}

const styles = StyleSheet.create({
  // On a narrow screen the sheets are too small to be read: one label stands above as it is.
  one: { backgroundColor: '#ffffff', alignSelf: 'center' },
});
