import type { EngineSheet } from '@longbar/core';
import { formatInBoth, formatTorque, intervalWords, measureOf } from '@longbar/core';
import type { ReactNode } from 'react';
import type { QuestionProps } from './questionProps';
import { AdjustersQuestion } from './questions/AdjustersQuestion';
import { BarringQuestion } from './questions/BarringQuestion';
import { ChartQuestion } from './questions/ChartQuestion';
import { CylindersQuestion } from './questions/CylindersQuestion';
import { IsolationsQuestion } from './questions/IsolationsQuestion';
import { spell } from '../shared/spell';
import { LobesQuestion } from './questions/LobesQuestion';
import { MarksQuestion } from './questions/MarksQuestion';
import { NameQuestion } from './questions/NameQuestion';
import { OrderQuestion } from './questions/OrderQuestion';
import { PhotosQuestion } from './questions/PhotosQuestion';
import { RotationQuestion } from './questions/RotationQuestion';
import { ServiceQuestion } from './questions/ServiceQuestion';
import { TemperatureQuestion } from './questions/TemperatureQuestion';
import { TorquesQuestion } from './questions/TorquesQuestion';
import { ValvesQuestion } from './questions/ValvesQuestion';
import { VariantsQuestion } from './questions/VariantsQuestion';
import { WordsQuestion } from './questions/WordsQuestion';

/** A part of the sheet: its title, what it holds in one line, the fields it answers for. */
export type Section = {
  title: string;
  holds: (sheet: EngineSheet) => string;
  /** Mistakes at these paths, or below them, belong here. */
  paths: readonly string[];
  questions: (props: QuestionProps) => ReactNode;
};

const list = new Intl.ListFormat('en', { type: 'unit' });
const said = (words: readonly (string | undefined | false | 0)[], none: string) => {
  const given = words.filter((each): each is string => Boolean(each));
  return given.length > 0 ? list.format(given) : none;
};
const counted = (count: number, one: string) => `${count} ${count === 1 ? one : `${one}s`}`;

/** The whole sheet, in the order in which a manual is read. */
export const SECTIONS: readonly Section[] = [
  {
    title: 'Name and manual',
    holds: ({ name, source }) =>
      said([name, source?.title, source?.page && `page ${source.page}`], 'No manual named'),
    paths: ['name', 'source'],
    questions: (props) => <NameQuestion {...props} />,
  },
  {
    title: 'Cylinders and strokes',
    holds: ({ firing, cycle, layout }) =>
      said(
        [
          counted(firing.order.length, 'cylinder'),
          (layout?.banks.length ?? 1) > 1 ? `${layout?.banks.length} banks` : 'in line',
          cycle === 4 ? 'four-stroke' : 'two-stroke',
        ],
        '',
      ),
    paths: ['layout', 'cycle'],
    questions: (props) => <CylindersQuestion {...props} />,
  },
  {
    title: 'Firing order',
    holds: ({ firing }) => said([firing.order.join('-'), firing.gaps && 'unevenly'], 'None yet'),
    paths: ['firing'],
    questions: (props) => <OrderQuestion {...props} />,
  },
  {
    title: 'Which way it turns',
    holds: ({ rotation }) =>
      rotation ? `${rotation.sense}, seen from the ${rotation.seenFrom}` : 'Not said: the job asks',
    paths: ['rotation'],
    questions: (props) => <RotationQuestion {...props} />,
  },
  {
    title: 'Where the valves stand',
    holds: ({ layout }) =>
      said(
        [
          ...new Set(layout?.banks.flatMap(({ valves = [] }) => valves)),
          layout?.numberedFrom && `No. 1 at the ${layout.numberedFrom}`,
        ],
        'As is usual',
      ),
    paths: ['layout.banks'],
    questions: (props) => <ValvesQuestion {...props} />,
  },
  {
    title: 'What is set, and its limits',
    holds: ({ adjusters }) =>
      said(
        adjusters.map((entry) =>
          entry.spec?.target === undefined
            ? `${entry.kind} without a figure`
            : `${entry.kind} ${formatInBoth(measureOf(entry), entry.spec.target)}`,
        ),
        'Nothing',
      ),
    paths: ['adjusters'],
    questions: (props) => <AdjustersQuestion {...props} />,
  },
  {
    title: 'Cold or hot',
    holds: ({ temperature }) =>
      said(
        [
          temperature && `set ${temperature.state}`,
          temperature?.soakMinutes && `${spell(temperature.soakMinutes)} before`,
          temperature?.windowMinutes && `within ${spell(temperature.windowMinutes)}`,
        ],
        'Not said: taken for cold',
      ),
    paths: ['temperature'],
    questions: (props) => <TemperatureQuestion {...props} />,
  },
  {
    title: 'Lobes',
    holds: ({ lobes }) =>
      said(
        (['intake', 'exhaust', 'injector', 'brake'] as const).map((kind) => {
          const lobe = lobes?.[kind];
          return lobe && `${kind} ${lobe.opens}° to ${lobe.closes}°`;
        }),
        'Typical ones stand in',
      ),
    paths: ['lobes'],
    questions: (props) => <LobesQuestion {...props} />,
  },
  {
    title: 'Marks',
    holds: ({ marks = [] }) =>
      said(
        marks.map(({ name, at }) => `${name} at ${at}°`),
        'None: the position is found by the rockers',
      ),
    paths: ['marks'],
    questions: (props) => <MarksQuestion {...props} />,
  },
  {
    title: 'Barring tool',
    holds: ({ barring }) =>
      said(
        [
          barring?.ratio && `${barring.ratio} turns for one`,
          barring?.teeth && `${barring.teeth} teeth`,
        ],
        'None given',
      ),
    paths: ['barring'],
    questions: (props) => <BarringQuestion {...props} />,
  },
  {
    title: 'Make unable to start',
    holds: ({ isolations = [] }) =>
      said(
        isolations.map(({ text }) => text),
        'None of its own: asked in general',
      ),
    paths: ['isolations'],
    questions: (props) => <IsolationsQuestion {...props} />,
  },
  {
    title: 'Torque sequences',
    holds: ({ torques = [] }) =>
      said(
        torques.map(({ name, torque }) => `${name} ${torque > 0 ? formatTorque(torque) : ''}`),
        'None',
      ),
    paths: ['torques'],
    questions: (props) => <TorquesQuestion {...props} />,
  },
  {
    title: 'Tools, parts, cautions',
    holds: ({ tools = [], parts = [], cautions = [] }) =>
      said(
        [
          tools.length > 0 && counted(tools.length, 'tool'),
          parts.length > 0 && counted(parts.length, 'part'),
          cautions.length > 0 && counted(cautions.length, 'caution'),
        ],
        'None',
      ),
    paths: ['tools', 'parts', 'cautions'],
    questions: (props) => (
      <>
        <WordsQuestion {...props} of="tools" />
        <WordsQuestion {...props} of="parts" />
        <WordsQuestion {...props} of="cautions" />
      </>
    ),
  },
  {
    title: 'Photos',
    holds: ({ photos = [] }) =>
      said(
        photos.map(({ what }) => what),
        'None: the manual’s page, the marks',
      ),
    paths: ['photos'],
    questions: (props) => <PhotosQuestion {...props} />,
  },
  {
    title: 'Data tags',
    holds: ({ variants = [] }) =>
      said(
        variants.map(({ tag }) => tag),
        'None: the same figures for all',
      ),
    paths: ['variants'],
    questions: (props) => <VariantsQuestion {...props} />,
  },
  {
    title: 'When it is checked',
    holds: ({ service }) =>
      said(
        [
          ...intervalWords(service),
          service?.takesMinutes && `${service.takesMinutes} min, as a guess`,
        ],
        'Not said: nothing falls due',
      ),
    paths: ['service'],
    questions: (props) => <ServiceQuestion {...props} />,
  },
  {
    title: 'The manual’s chart',
    holds: ({ chart = [] }) => (chart.length > 0 ? counted(chart.length, 'stop') : 'None typed in'),
    paths: ['chart', 'chartAnswers'],
    questions: (props) => <ChartQuestion {...props} />,
  },
];
