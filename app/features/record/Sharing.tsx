import type { NewShare, Share } from '@longbar/core';
import { formatDay, SHARE_DAYS } from '@longbar/core';
import { View } from 'react-native';
import { API } from '../../api/request';
import { QrCode } from '../../drawing/QrCode';
import { useEndShareMutation, useShareRecordMutation, useSharesQuery } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { AskFirst } from '../../ui/AskFirst';
import { Fold } from '../../ui/Fold';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { OnlyHere } from '../shared/OnlyHere';

/** A link by which somebody outside reads this record and nothing else, until it ends. */
export function Sharing({ job }: { job: string }) {
  const { data: shares = [] } = useSharesQuery(job);
  const [share, { data, isLoading, error }] = useShareRecordMutation();
  const count = shares.length === 1 ? 'one link works' : `${shares.length} links work`;
  return (
    <Fold title="Share this record" holds={shares.length === 0 ? 'by nobody now' : count}>
      <Stack gap={space.small}>
        <Words as="note">
          Whoever has the link reads this record as a PDF, on this shop’s network, and nothing else.
          Make one for:
        </Words>
        <Row>
          {SHARE_DAYS.map((days) => (
            <Act
              key={days}
              label={`${days} days`}
              name={`A link for ${days} days`}
              disabled={isLoading}
              style={{ flex: 1 }}
              onPress={() => void share({ job, days })}
            />
          ))}
        </Row>
        {error && (
          <Words color="stop" role="alert">
            {refusalOf(error).message}
          </Words>
        )}
        {data && shares.some(({ id }) => id === data.id) && <NewLink made={data} />}
        {shares.map((each) => (
          <ShareLine key={each.id} {...{ job, share: each }} />
        ))}
      </Stack>
    </Fold>
  );
}

/** The link that was just made; its end is told this once. */
function NewLink({ made: { secret, until } }: { made: NewShare }) {
  const link = new URL(`${API}/shared/${secret}`, window.location.href).href;
  return (
    <View style={{ gap: space.small }}>
      <QrCode text={link} size={200} says="A code that opens this record" />
      <Words as="note" selectable>
        {link}
      </Words>
      <Words as="note" color="secondInk">
        It works until {formatDay(until)}, and is shown this once.
      </Words>
      <OnlyHere />
    </View>
  );
}

function ShareLine({ job, share: { id, by, until } }: { job: string; share: Share }) {
  const [end, { isLoading, error }] = useEndShareMutation();
  return (
    <Stack gap={space.small}>
      <Words as="note">
        A link by {by}, until {formatDay(until)}
      </Words>
      <AskFirst
        label="Take this link back"
        question="Whoever has it reads nothing by it any more."
        no="Keep it"
        yes="Take it back"
        weight="stop"
        busy={isLoading}
        onYes={() => void end({ job, id })}
        refusal={error && refusalOf(error).message}
      />
    </Stack>
  );
}
