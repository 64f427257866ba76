import { createHash, createSign, generateKeyPairSync, randomBytes } from 'node:crypto';

/** As much of CBOR (RFC 8949) as a device's answer takes. */
function cbor(value: number | string | Buffer | Map<unknown, unknown>): Buffer {
  const head = (major: number, n: number): Buffer =>
    n < 24
      ? Buffer.from([(major << 5) | n])
      : n < 256
        ? Buffer.from([(major << 5) | 24, n])
        : Buffer.from([(major << 5) | 25, n >> 8, n & 255]);
  if (typeof value === 'number') return value < 0 ? head(1, -1 - value) : head(0, value);
  if (typeof value === 'string') return Buffer.concat([head(3, Buffer.byteLength(value)), Buffer.from(value)]);
  if (Buffer.isBuffer(value)) return Buffer.concat([head(2, value.length), value]);
  const pairs = [...value].flatMap(([key, own]) => [cbor(key as string), cbor(own as string)]);
  return Buffer.concat([head(5, value.size), ...pairs]);
}

/** The device of a test: makes a key for a site (ES256, attestation “none”) and signs with it, as Web Authentication has it. */
export function softKey(origin: string) {
  const { privateKey, publicKey } = generateKeyPairSync('ec', { namedCurve: 'P-256' });
  const id = randomBytes(16);
  let counter = 0;
  const { x, y } = publicKey.export({ format: 'jwk' });
  const site = createHash('sha256').update(new URL(origin).hostname).digest();
  const told = (type: string, challenge: string) => Buffer.from(JSON.stringify({ type, challenge, origin, crossOrigin: false }));
  const head = (flags: number) => {
    const count = Buffer.alloc(4);
    count.writeUInt32BE(++counter);
    return Buffer.concat([site, Buffer.from([flags]), count]);
  };
  const answer = {
    id: id.toString('base64url'),
    rawId: id.toString('base64url'),
    type: 'public-key',
    clientExtensionResults: {},
  };
  return {
    id: answer.id,
    make(challenge: string) {
      const key = cbor(
        new Map<unknown, unknown>([
          [1, 2],
          [3, -7],
          [-1, 1],
          [-2, Buffer.from(x!, 'base64url')],
          [-3, Buffer.from(y!, 'base64url')],
        ]),
      );
      const length = Buffer.from([0, id.length]);
      const authData = Buffer.concat([head(0x45), Buffer.alloc(16), length, id, key]);
      const attestation = new Map<unknown, unknown>([
        ['fmt', 'none'],
        ['attStmt', new Map()],
        ['authData', authData],
      ]);
      const response = {
        clientDataJSON: told('webauthn.create', challenge).toString('base64url'),
        attestationObject: cbor(attestation).toString('base64url'),
        transports: ['internal'],
      };
      return { ...answer, response };
    },
    show(challenge: string) {
      const authenticatorData = head(0x05);
      const clientData = told('webauthn.get', challenge);
      const signed = Buffer.concat([authenticatorData, createHash('sha256').update(clientData).digest()]);
      const response = {
        clientDataJSON: clientData.toString('base64url'),
        authenticatorData: authenticatorData.toString('base64url'),
        signature: createSign('sha256').update(signed).sign(privateKey).toString('base64url'),
      };
      return { ...answer, response };
    },
  };
}
