import { Button, PaperProvider, Text } from 'react-native-paper';

/** A page with nothing on it but what everyone begins with: the measure of a first visit. */
export default function Bare() {
  return (
    <PaperProvider>
      <Text variant="titleLarge">Bare</Text>
      <Button icon="camera" mode="contained">
        Bare
      </Button>
    </PaperProvider>
  );
}
