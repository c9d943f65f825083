import type { EngineSheet } from '@longbar/core';
import { formatDay, formatMillimetres, formatThou } from '@longbar/core';
import { View } from 'react-native';
import { Stack } from '../../theme/Panel';
import { Words } from '../../theme/Words';

/** The figures of the sheet, and where they are from. */
export function SheetFacts({ sheet }: { sheet: EngineSheet }) {
  const { source, firing, rotation, temperature, service } = sheet;
  const lines = [
    `Firing order ${firing.order.join('-')}${firing.gaps ? `, gaps ${firing.gaps.join('-')}°` : ''}.`,
    rotation &&
      `Turns ${rotation.sense}, seen from the ${rotation.seenFrom}; ${rotation.reversible ? 'may be turned back' : 'never backwards'}.`,
    temperature &&
      `Set ${temperature.state}${temperature.soakMinutes ? `, ${temperature.soakMinutes} min ${temperature.state === 'cold' ? 'at rest' : 'run'} before` : ''}.`,
    service &&
      `Checked ${[service.breakInHours && `at ${service.breakInHours} h`, service.everyHours && `every ${service.everyHours} h`, service.everyMonths && `every ${service.everyMonths} months`].filter(Boolean).join(', ')}.`,
  ];
  return (
    <Stack gap={6}>
      <Words as="heading">From the manual</Words>
      {sheet.adjusters.map(({ kind, spec, measure = 'lash' }) => (
        <View key={kind}>
          <Words as="strong">
            {kind}: {spec ? settingWords(spec, measure) : 'no setting given'}
          </Words>
        </View>
      ))}
      {lines.filter(Boolean).map((line) => (
        <Words key={String(line)} as="note">
          {line}
        </Words>
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
          {source.checked ? `, last checked ${formatDay(source.checked)}` : ''}. The maker’s current
          manual stands.
        </Words>
      )}
    </Stack>
  );
}

function settingWords(
  { low, target, high }: { low: number; target: number; high: number },
  measure: string,
): string {
  if (measure === 'preload')
    return `preload ${target / 1000} N·m (${low / 1000} to ${high / 1000})`;
  const limits = `${formatMillimetres(low)} to ${formatMillimetres(high)}`;
  const thou = measure === 'lash' ? `, ${formatThou(target)} thou` : '';
  return `${measure} ${formatMillimetres(target)} mm (${limits})${thou}`;
}
