import { useShopQuery } from '../../state/api';
import { Caution } from '../../ui/Caution';

/** What is wrong with what the server keeps, where everyone sees it, and the way back. */
export function ServerTrouble() {
  const { data } = useShopQuery();
  if (!data) return null;
  const { damage, lost } = data;
  return (
    <>
      {damage !== undefined && (
        <Caution>{`What is done on this phone is kept here meanwhile. ${damage}`}</Caution>
      )}
      {lost !== undefined && (
        <Caution>
          {`The server has lost ${lost === 1 ? 'an entry' : `${lost} entries`} that it had kept. Open Long Bar on every phone that worked since the last backup: what they hold is sent again by itself.`}
        </Caution>
      )}
    </>
  );
}
