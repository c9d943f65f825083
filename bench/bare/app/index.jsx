import MaterialCommunityIcons from 'bare-icons/MaterialCommunityIcons';
import { Button, PaperProvider, Text } from 'react-native-paper';

const settings = { icon: (props) => <MaterialCommunityIcons {...props} /> };

/** A page with nothing on it but what everyone begins with: the measure of a first visit. */
export default function Bare() {
  return (
    <PaperProvider settings={settings}>
      <Text variant="titleLarge">Bare</Text>
      <Button icon="camera" mode="contained">
        Bare
      </Button>
    </PaperProvider>
  );
}
