import { BlockList, isIP } from 'node:net';

/** What lies on this machine, on its own network, or nowhere; by version, for one list mixes them. */
const [NOT_PUBLIC_4, NOT_PUBLIC_6] = [new BlockList(), new BlockList()];
for (const [net, bits] of [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.0.2.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['198.51.100.0', 24],
  ['203.0.113.0', 24],
  ['224.0.0.0', 4],
  ['240.0.0.0', 4],
] as const) {
  NOT_PUBLIC_4.addSubnet(net, bits, 'ipv4');
}
for (const [net, bits] of [
  // Unspecified, loopback, and addresses of version 4 written in version 6.
  ['::', 95],
  ['::ffff:0:0', 96],
  ['64:ff9b::', 96],
  ['2001:db8::', 32],
  ['2002::', 16],
  ['fc00::', 7],
  ['fe80::', 10],
  ['ff00::', 8],
] as const) {
  NOT_PUBLIC_6.addSubnet(net, bits, 'ipv6');
}

/** Whether an IP address is one of the internet's: not loopback, link-local, private or reserved. */
export function isPublic(address: string): boolean {
  switch (isIP(address)) {
    case 4:
      return !NOT_PUBLIC_4.check(address, 'ipv4');
    case 6:
      return !NOT_PUBLIC_6.check(address, 'ipv6');
    default:
      return false;
  }
}
