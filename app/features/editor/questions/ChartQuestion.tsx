import type { ChartStop, EngineSheet } from '@longbar/core';
import { adjusterName, adjustersOf, KINDS, readId } from '@longbar/core';
import { Choice } from '../../../ui/Choice';
import { Stack } from '../../../ui/Panel';
import { RadioGroup } from '../../../ui/RadioGroup';
import { Tiles } from '../../../ui/Tiles';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { takeOut } from '../entries';
import { NumberField } from '../NumberField';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { TypedField } from '../TypedField';
import { ListQuestion } from './ListQuestion';

/** The manual's own chart, typed in stop by stop as the page has it. */
export function ChartQuestion({ draft }: QuestionProps) {
  const { sheet, edit } = draft;
  return (
    <ListQuestion
      title="Does the manual have a chart?"
      hint="Type it in as it stands on the page. It is held against the model entry by entry; where they differ the manual stands, and you are asked to look again."
      entries={sheet.chart ?? []}
      one="stop"
      onAdd={() => edit((next) => void (next.chart ??= []).push(firstStop(next)))}
      onRemove={(place) => edit((next) => takeOut(next, 'chart', place))}
    >
      {(stop, place) => <StopOf key={place} {...{ draft, stop, place }} />}
    </ListQuestion>
  );
}

function firstStop(sheet: EngineSheet): ChartStop {
  const mark = sheet.marks?.[0]?.name;
  if (mark !== undefined) return { mark, turn: 1, set: [] };
  return { cylinder: sheet.firing.order[0] ?? 1, at: 'firing', set: [] };
}

type StopProps = Pick<QuestionProps, 'draft'> & { stop: ChartStop; place: number };

function StopOf({ draft, stop, place }: StopProps) {
  const { sheet, edit } = draft;
  const at = (next: Where | { at: number }) =>
    edit((to) => {
      const note = stop.note === undefined ? {} : { note: stop.note };
      to.chart![place] = { ...next, set: stop.set, ...note };
    });
  const toggle = (id: string) =>
    edit((to) => {
      const { set } = to.chart![place]!;
      const known = set.indexOf(id);
      if (known >= 0) set.splice(known, 1);
      else set.push(id);
    });
  const places = placesOf(sheet);
  const angle = `degrees after firing TDC of No. ${sheet.firing.order[0] ?? 1}`;
  return (
    <Stack gap={space.small}>
      <Words as="strong">Stop {place + 1}</Words>
      {places.length > 0 && (
        <RadioGroup name={`Where stop ${place + 1} is`}>
          <Tiles columns={3}>
            {places.map(({ label, where }) => (
              <Choice
                key={label}
                label={label}
                name={`Stop ${place + 1} ${label}`}
                chosen={isAt(stop, where)}
                onPress={() => at(where)}
              />
            ))}
          </Tiles>
        </RadioGroup>
      )}
      <NumberField
        label="or at an angle"
        name={`Stop ${place + 1}, or at an angle, ${angle}`}
        hint={angle}
        value={'mark' in stop || 'cylinder' in stop ? undefined : Number(stop.at)}
        onChange={(typed) => typed !== undefined && at({ at: typed })}
      />
      <Words as="note">What is set there</Words>
      <Tiles columns={4}>
        {idsByNumber(sheet).map((id) => (
          <Choice
            key={id}
            label={short(id)}
            name={`Stop ${place + 1} sets ${adjusterName(id)}`}
            several
            chosen={stop.set.includes(id)}
            onPress={() => toggle(id)}
          />
        ))}
      </Tiles>
      <TypedField
        label="What the manual notes of it"
        name={`Stop ${place + 1}, what the manual notes of it`}
        value={typeof stop.note === 'string' ? stop.note : ''}
        onChange={(note) =>
          edit((to) => {
            const own = to.chart![place]!;
            if (note === '') delete own.note;
            else own.note = note;
          })
        }
      />
      {mistakeAt(draft, `chart.${place}`) !== undefined && (
        <Words as="strong" color="stop" role="alert">
          {mistakeAt(draft, `chart.${place}`)}
        </Words>
      )}
    </Stack>
  );
}

type Where = { mark: string; turn: 1 | 2 } | { cylinder: number; at: 'firing' | 'overlap' };

/** Where a chart may stop: at the marks on either turn, or where a cylinder fires. */
function placesOf(sheet: EngineSheet): { label: string; where: Where }[] {
  const marks = (sheet.marks ?? []).flatMap(({ name }) =>
    ([1, 2] as const).map((turn) => ({
      label: `mark ${name}, turn ${turn}`,
      where: { mark: name, turn },
    })),
  );
  const cylinders = sheet.firing.order.flatMap((cylinder) => [
    { label: `${cylinder} fires`, where: { cylinder, at: 'firing' as const } },
    ...(sheet.cycle === 4
      ? [{ label: `${cylinder} rocks`, where: { cylinder, at: 'overlap' as const } }]
      : []),
  ]);
  return [...marks, ...cylinders];
}

function isAt(stop: ChartStop, where: Where): boolean {
  return Object.entries(where).every(([key, value]) => Reflect.get(stop, key) === value);
}

function idsByNumber(sheet: EngineSheet): string[] {
  const complete = sheet.firing.order.length > 0;
  return complete
    ? [...adjustersOf(sheet)].sort((a, b) => a.cylinder - b.cylinder).map(({ id }) => id)
    : [];
}

function short(id: string): string {
  const { kind, cylinder, n } = readId(id);
  return `${cylinder} ${KINDS[kind].letters}${n === undefined ? '' : ` ${n}`}`;
}
