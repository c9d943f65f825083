import { refusalOf } from '../../state/refusal';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { useCompanySheetsQuery, useOfferSheetMutation } from './companyApi';

/** Whether the shops of the company that is run from here may take this sheet. */
export function OfferSheet({ id, name }: { id: string; name: string }) {
  const { data } = useCompanySheetsQuery();
  const [offer, offering] = useOfferSheetMutation();
  if (!data?.runFromHere) return null;
  const offered = data.sheets.some((sheet) => sheet.id === id);
  return (
    <Stack gap={space.small}>
      {offered && (
        <Words role="status">
          {`The shops of ${data.company} are offered ${name}, and each new revision once it is published. They take it when they want to.`}
        </Words>
      )}
      <Act
        label={offered ? 'Offer it no more' : `Offer it to the shops of ${data.company}`}
        disabled={offering.isLoading}
        onPress={() => void offer({ id, offered: !offered })}
      />
      {offering.error && (
        <Words color="stop" role="alert">
          {refusalOf(offering.error).message}
        </Words>
      )}
    </Stack>
  );
}
