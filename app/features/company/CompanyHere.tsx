import { View } from 'react-native';
import { LinkRow } from '../../ui/LinkRow';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** Leads to the shops of the company that is run from this one. */
export function CompanyHere({ name }: { name: string }) {
  return (
    <Stack>
      <Words as="heading">Company</Words>
      <View role="list" aria-label="Company">
        <LinkRow
          to="/shop/company"
          title={name}
          detail="Its shops side by side, and machines that go from one to another"
        />
      </View>
    </Stack>
  );
}
