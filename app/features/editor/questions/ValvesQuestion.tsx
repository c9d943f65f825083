import type { EngineSheet } from '@longbar/core';
import { readId, seatingOf } from '@longbar/core';
import { HeadMap } from '../../../drawing/HeadMap';
import { Act } from '../../../ui/Act';
import { Choice } from '../../../ui/Choice';
import { MapRoom } from '../MapRoom';
import { OneOf } from '../../../ui/OneOf';
import { Words } from '../../../ui/Words';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';

const ENDS = ['front', 'rear'] as const;

/** Cylinder 1's end, and which valve of each stands nearer the front: tapped on the head to flip. */
export function ValvesQuestion({ draft }: QuestionProps) {
  const { sheet, drawn, edit } = draft;
  const wrong = sheet.layout?.banks
    .map((_, b) => mistakeAt(draft, `layout.banks.${b}.valves`))
    .find(Boolean);
  return (
    <Question
      title="Where do the valves stand?"
      hint="From the front of the engine. Where nothing is said, exhaust stands before intake: look which port leads where. Tap a cylinder to flip its two."
      mistake={wrong}
    >
      {sheet.firing.order.length > 1 && (
        <>
          <Words as="strong">Cylinder 1 is at the</Words>
          <OneOf
            name="Cylinder 1 is at the"
            options={ENDS.map((end) => [end, end] as const)}
            inFull={(end) => `Cylinder 1 at the ${end}`}
            chosen={ENDS.find((end) => end === sheet.layout?.numberedFrom)}
            onChoose={(end) => edit((next) => numberFrom(next, end))}
          />
        </>
      )}
      <MapRoom>
        {(width) => (
          <HeadMap
            banks={seatingOf(drawn)}
            cells={{}}
            width={width}
            onSelect={(id) =>
              edit((next) => flip(next, (cylinder) => cylinder === readId(id).cylinder))
            }
          />
        )}
      </MapRoom>
      <Act
        label="Flip every second one"
        onPress={() => edit((next) => flip(next, (_cylinder, place) => place % 2 === 1))}
      />
      {sheet.adjusters.some(({ kind }) => kind === 'injector') && (
        <Choice
          label="The injector’s rocker stands between them"
          several
          chosen={sheet.layout?.banks.some((bank) => bank.valves?.join('').includes('J')) ?? false}
          onPress={() => edit(turnInjectors)}
        />
      )}
    </Question>
  );
}

/** The layout of a sheet; of one that has none, one row by number from the front. */
function layOut(sheet: EngineSheet): NonNullable<EngineSheet['layout']> {
  const cylinders = [...sheet.firing.order].sort((a, b) => a - b);
  return (sheet.layout ??= { banks: [{ name: 'A', cylinders }] });
}

/** Cylinders are listed from the front whatever the numbers: the other end turns the rows. */
function numberFrom(sheet: EngineSheet, end: 'front' | 'rear'): void {
  const layout = layOut(sheet);
  if (layout.numberedFrom === end) return;
  const turned = layout.numberedFrom !== undefined || end === 'rear';
  layout.numberedFrom = end;
  if (!turned) return;
  for (const bank of layout.banks) {
    bank.cylinders.reverse();
    bank.valves?.reverse();
  }
}

/** Puts an injector's rocker between the valves of every cylinder, or takes them out again. */
function turnInjectors(sheet: EngineSheet): void {
  for (const bank of layOut(sheet).banks) {
    const spelled = bank.valves ?? bank.cylinders.map(() => 'EI');
    const between = spelled.some((letters) => letters.includes('J'));
    bank.valves = spelled.map((letters) =>
      between ? letters.replaceAll('J', '') : `${letters.slice(0, 1)}J${letters.slice(1)}`,
    );
  }
}

/** Turns round the valves of the cylinders chosen, by number or place in their bank. */
function flip(sheet: EngineSheet, chosen: (cylinder: number, place: number) => boolean): void {
  for (const bank of layOut(sheet).banks) {
    const spelled = bank.valves ?? bank.cylinders.map(() => 'EI');
    bank.valves = spelled.map((letters, place) =>
      chosen(bank.cylinders[place] ?? 0, place) ? [...letters].reverse().join('') : letters,
    );
  }
}
