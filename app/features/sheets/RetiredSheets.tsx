import { View } from 'react-native';
import { useRetiredSheetsQuery } from '../../state/api';
import { Fold } from '../../ui/Fold';
import { LinkRow } from '../../ui/LinkRow';

/** The sheets that are out of the lists; nothing where there is none. */
export function RetiredSheets() {
  const { data } = useRetiredSheetsQuery();
  if (!data?.length) return null;
  return (
    <Fold
      title="Retired sheets"
      holds={`${data.length} ${data.length === 1 ? 'sheet' : 'sheets'}, kept with every revision`}
    >
      <View role="list" aria-label="Retired sheets">
        {data.map(({ id, name, revision }) => (
          <LinkRow key={id} to={`/sheets/${id}`} title={name} detail={`Revision ${revision}`} />
        ))}
      </View>
    </Fold>
  );
}
