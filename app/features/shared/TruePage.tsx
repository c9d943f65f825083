import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Act } from '../../ui/Act';
import { OneOf } from '../../ui/OneOf';
import { Row } from '../../ui/Panel';
import { placeOf } from '../../ui/placeOf.web';
import { Words } from '../../ui/Words';
import type { Paper } from './paper';
import { PAPER_NAMES, PAPERS } from './paper';
import { TrueSheets } from './TrueSheets';

type Props = {
  title: string;
  back: string;
  backTo: string;
  paper: Paper;
  onPaper: (paper: Paper) => void;
  landscape?: boolean;
  /** The sheets, one after the other; none where something is missing. */
  pages: readonly ReactNode[];
  /** How large what is printed must be, so that the printer can be held against it. */
  size: string;
  /** What else is chosen above the sheets. */
  children?: ReactNode;
};

/** A page that is printed at true size: what is chosen stays off the paper. */
export function TruePage(props: Props) {
  const { title, back, backTo, paper, onPaper, landscape = false, pages, size, children } = props;
  const tokens = useTokens();
  const router = useRouter();
  return (
    <ScrollView style={{ backgroundColor: tokens.ground }}>
      <View role="toolbar" aria-label="What is printed" style={styles.choices}>
        <Row style={styles.between}>
          <Act label={back} icon="back" onPress={() => router.replace(placeOf(backTo))} />
          <Act
            weight="primary"
            label="Print"
            icon="print"
            disabled={pages.length === 0}
            onPress={() => window.print()}
          />
        </Row>
        <Words as="title" role="heading">
          {title}
        </Words>
        {children}
        <OneOf
          name="Paper"
          options={PAPER_NAMES.map((each) => [each, PAPERS[each].name] as const)}
          chosen={paper}
          onChoose={onPaper}
        />
        <Words as="note" color="secondInk">
          Print at 100 %, without fitting to the page: {size}.
        </Words>
      </View>
      <TrueSheets {...{ paper, landscape, pages }} />
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
  between: { justifyContent: 'space-between', flexWrap: 'wrap' },
});
