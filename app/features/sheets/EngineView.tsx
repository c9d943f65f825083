import type { EngineSheet } from '@longbar/core';
import { adjusterName, camLanes, cycleDegrees, seatingOf } from '@longbar/core';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Placed } from '../../drawing/CamMap';
import type { Crank } from '../../drawing/crank';
import { useRestingAt } from '../../drawing/crank';
import { HeadMap } from '../../drawing/HeadMap';
import { TurningDial } from '../../drawing/TurningDial';
import { TurnableCamMap } from '../../drawing/TurnableCamMap';
import { space } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import { engineCells, engineLooks } from './engineCells';

type Props = {
  sheet: EngineSheet;
  crank: Crank;
  stops: readonly number[];
  placed?: readonly Placed[];
  width: number;
};

/** The engine to turn by hand: head, cam map and dial move as one. */
export function EngineView({ sheet, crank, stops, placed, width }: Props) {
  const [asked, setAsked] = useState<string>();
  const banks = useMemo(() => seatingOf(sheet), [sheet]);
  const lanes = useMemo(() => camLanes(sheet), [sheet]);
  const live = useMemo(() => ({ crank, looksOf: engineLooks(sheet) }), [crank, sheet]);
  const at = useRestingAt(crank);
  const cells = useMemo(() => engineCells(sheet, at, asked), [sheet, at, asked]);
  return (
    <View style={styles.stack}>
      <HeadMap
        banks={banks}
        cells={cells}
        live={live}
        width={width}
        fine={width > 560}
        onSelect={setAsked}
      />
      <Words as="note" color="secondInk" role="status">
        {asked === undefined || !cells[asked]
          ? 'Lit: may be set at this angle. Tap a rocker for its margin.'
          : `${adjusterName(asked)}: ${cells[asked].says}.`}
      </Words>
      <TurnableCamMap
        lanes={lanes}
        cycle={cycleDegrees(sheet)}
        at={at}
        crank={crank}
        stops={stops}
        {...(placed && { placed })}
        width={width}
      />
      <Words as="note" color="secondInk">
        Cylinders in firing order: intake filled, exhaust dashed, stops dotted.
        {placed?.length ? ' A dab: set at that stop; a cross: the model doubts it.' : ''} Drag the
        line to turn the engine.
      </Words>
      <TurningDial sheet={sheet} crank={crank} size={200} />
    </View>
  );
}

const styles = StyleSheet.create({
  stack: { gap: space.medium },
});
