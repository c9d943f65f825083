/*
 * Hashing and signing in plain script, for a browser over plain HTTP has none of its own. It is
 * fetched where it is needed, always by `import('./noble')`: a page that is only read does without.
 */
export { getPublicKey, hashes, sign, utils } from '@noble/ed25519';
export { scryptAsync } from '@noble/hashes/scrypt.js';
export { sha256, sha512 } from '@noble/hashes/sha2.js';
export { randomBytes, utf8ToBytes } from '@noble/hashes/utils.js';
