import { StyleSheet, View } from 'react-native';
import { EngineDial } from '../../../drawing/EngineDial';
import { TypedField } from '../TypedField';
import { space } from '../../../theme/tokens';
import { takeOut } from '../entries';
import { NumberField } from '../NumberField';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { ListQuestion } from './ListQuestion';

/** The marks on the pulley or flywheel, on the dial as they are typed. */
export function MarksQuestion({ draft }: QuestionProps) {
  const { sheet, drawn, edit } = draft;
  const first = sheet.firing.order[0] ?? 1;
  return (
    <>
      <ListQuestion
        title="Which marks come to the pointer?"
        hint={`0° is firing TDC of No. ${first}. A mark tells the crank, not the turn. None is fine: positions are then found by the rockers.`}
        entries={sheet.marks ?? []}
        one="mark"
        onAdd={() => edit((next) => void (next.marks ??= []).push({ name: '', at: NaN }))}
        onRemove={(place) => edit((next) => takeOut(next, 'marks', place))}
      >
        {(mark, place) => (
          <View style={styles.mark}>
            <View style={styles.field}>
              <TypedField
                label={`Mark ${place + 1}, as stamped`}
                value={mark.name}
                error={mistakeAt(draft, `marks.${place}.name`)}
                onChange={(name) => edit((next) => void (next.marks![place]!.name = name))}
              />
            </View>
            <View style={styles.field}>
              <NumberField
                label={`Mark ${place + 1}, degrees`}
                value={mark.at}
                error={mistakeAt(draft, `marks.${place}.at`)}
                onChange={(at) => edit((next) => void (next.marks![place]!.at = at ?? NaN))}
              />
            </View>
          </View>
        )}
      </ListQuestion>
      {(drawn.marks?.length ?? 0) > 0 && (
        <View style={styles.dial}>
          <EngineDial sheet={drawn} at={0} size={200} />
        </View>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  mark: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  field: { flexBasis: 140, flexGrow: 1 },
  dial: { alignItems: 'center' },
});
