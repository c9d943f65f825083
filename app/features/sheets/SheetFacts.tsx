import type { EngineSheet } from '@longbar/core';
import {
  daysBetween,
  formatDay,
  formatTorque,
  intervalWords,
  localDay,
  measureOf,
} from '@longbar/core';
import { View } from 'react-native';
import { Caution } from '../../ui/Caution';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { temperatureWords } from '../shared/temperatureWords';
import { settingWords, tagWords } from '../shared/tagWords';

/** The figures and cautions of the sheet, and where they are from. */
export function SheetFacts({ sheet }: { sheet: EngineSheet }) {
  const {
    source,
    firing,
    layout,
    rotation,
    temperature,
    service,
    variants = [],
    cautions = [],
  } = sheet;
  const intervals = intervalWords(service);
  const lines = [
    `Firing order ${firing.order.join('-')}${firing.gaps ? `, gaps ${firing.gaps.join('-')}°` : ''}.`,
    layout?.numberedFrom && `No. 1 is at the ${layout.numberedFrom}.`,
    rotation
      ? `Turns ${rotation.sense}, seen from the ${rotation.seenFrom}; ${rotation.reversible ? 'may be turned back' : 'never backwards'}.`
      : 'The sheet does not say which way it turns.',
    temperature && temperatureWords(temperature),
    intervals.length > 0 && `Checked ${intervals.join(', ')}.`,
    service?.takesMinutes && `A check takes ${service.takesMinutes} min, as a guess.`,
  ];
  return (
    <Stack gap={6}>
      <Words as="heading">From the manual</Words>
      {sheet.adjusters.map((entry) => (
        <View key={entry.kind}>
          <Words as="strong">
            {entry.kind}:{' '}
            {entry.spec ? settingWords(entry.spec, measureOf(entry)) : 'no setting given'}
            {entry.locknut?.torque && `, nut ${formatTorque(entry.locknut.torque)}`}
          </Words>
        </View>
      ))}
      {variants.map(({ tag }) => (
        <Words key={tag} as="strong">
          With data tag {tag}: {tagWords(sheet, tag)}
        </Words>
      ))}
      {lines.filter(Boolean).map((line) => (
        <Words key={String(line)} as="note">
          {line}
        </Words>
      ))}
      {cautions.map((caution) => (
        <Caution key={caution}>{caution}</Caution>
      ))}
      {source && (
        <Words as="note" color="secondInk">
          {[
            source.title,
            source.page && `page ${source.page}`,
            source.revision && `revision ${source.revision}`,
          ]
            .filter(Boolean)
            .join(', ')}
          {source.checked &&
            `, last checked ${formatDay(source.checked)}, ${ageOf(source.checked)}`}
          . The maker’s current manual stands.
        </Words>
      )}
    </Stack>
  );
}

const ages = new Intl.RelativeTimeFormat('en', { numeric: 'always' });

/** How long ago a day was, in months, or in years from two on. */
function ageOf(day: string): string {
  const months = Math.round(daysBetween(day, localDay(new Date())) / 30.44);
  return months < 24
    ? ages.format(-months, 'month')
    : ages.format(-Math.floor(months / 12), 'year');
}
