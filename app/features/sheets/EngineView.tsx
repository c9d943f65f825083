import type { EngineSheet } from '@longbar/core';
import { adjusterName, camLanes, cycleDegrees, seatingOf } from '@longbar/core';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Placed } from '../../drawing/CamMap';
import { EngineDial } from '../../drawing/EngineDial';
import { HeadMap } from '../../drawing/HeadMap';
import { TurnableCamMap } from '../../drawing/TurnableCamMap';
import { space } from '../../theme/tokens';
import { Words } from '../../theme/Words';
import { engineCells } from './engineCells';

type Props = {
  sheet: EngineSheet;
  at: number;
  onTurn: (at: number) => void;
  stops: readonly number[];
  placed?: readonly Placed[];
  width: number;
};

/** The engine to turn by hand: head, cam map and dial move as one. */
export function EngineView({ sheet, at, onTurn, stops, placed, width }: Props) {
  const [asked, setAsked] = useState<string>();
  const banks = useMemo(() => seatingOf(sheet), [sheet]);
  const lanes = useMemo(() => camLanes(sheet), [sheet]);
  const cells = engineCells(sheet, at);
  const shown =
    asked === undefined ? cells : { ...cells, [asked]: { ...cells[asked], selected: true } };
  return (
    <View style={styles.stack}>
      <HeadMap
        banks={banks}
        cells={shown as typeof cells}
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
        stops={stops}
        {...(placed && { placed })}
        width={width}
        onTurn={onTurn}
      />
      <Words as="note" color="secondInk">
        Cylinders in firing order: intake filled, exhaust dashed, stops dotted.
        {placed?.length ? ' A dab: set at that stop; a cross: the model doubts it.' : ''} Drag the
        line to turn the engine.
      </Words>
      <View style={styles.dial}>
        <EngineDial sheet={sheet} at={at} size={200} />
        <Words as="figure">{Math.round(at)}°</Words>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  stack: { gap: space.medium },
  dial: { alignItems: 'center' },
});
