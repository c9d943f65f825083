import type { Attachment } from '@longbar/core';
import { createElement, useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { API } from '../../api/request';
import { useSync } from '../../sync/SyncProvider';
import { space } from '../../theme/tokens';

type Props = {
  attached?: readonly Attachment[] | undefined;
  /** As wide as there is room for, so that a page can be read. */
  large?: boolean;
};

/** Photos to look at and clips to hear, from this phone where it has them. */
export function Attachments({ attached = [], large = false }: Props) {
  if (attached.length === 0) return null;
  return (
    <View style={styles.row}>
      {attached.map((each, i) => (
        <OneAttachment key={each.sha256} {...each} large={large} place={i + 1} />
      ))}
    </View>
  );
}

type OneProps = { place: number; large: boolean };

function OneAttachment({ sha256, type, place, large }: Attachment & OneProps) {
  const src = useBlobAddress(sha256, type);
  if (type.startsWith('image/')) {
    const alt = `Photo ${place}`;
    return createElement('img', { src, alt, style: large ? LARGE : SMALL });
  }
  const element = type.startsWith('video/') ? 'video' : 'audio';
  return createElement(element, { src, controls: true, 'aria-label': `Clip ${place}` });
}

const SMALL = { height: 120, borderRadius: 8 };
const LARGE = { maxWidth: '100%', borderRadius: 8 };

/** The phone's own bytes, else the server's. */
function useBlobAddress(sha256: string, type: string): string {
  const sync = useSync();
  const [own, setOwn] = useState<string>();
  useEffect(() => {
    let address: string | undefined;
    let gone = false;
    void sync.blob(sha256).then((kept) => {
      if (!kept || gone) return;
      address = URL.createObjectURL(new Blob([kept.body], { type }));
      setOwn(address);
    });
    return () => {
      gone = true;
      if (address) URL.revokeObjectURL(address);
    };
  }, [sync, sha256, type]);
  return own ?? `${API}/blobs/${sha256}`;
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
});
