import 'reflect-metadata';
import { X509Certificate, createHash, webcrypto } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { BlockList, isIP } from 'node:net';
import { join } from 'node:path';
import { AsnConvert } from '@peculiar/asn1-schema';
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  NameConstraints,
  id_ce_nameConstraints
} from '@peculiar/asn1-x509';
import * as x509 from '@peculiar/x509';

/**
 * A certificate authority of this server's own, and a certificate by it for the addresses the server has in its network. A phone that
 * trusts the authority trusts it for private addresses and .local names only: the authority says so itself, and nothing it could sign
 * for anything else is believed.
 */
const KEY = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
const DAY = 86_400_000;
const AUTHORITY_FOR = 3650 * DAY;
/** Phones believe no certificate of a server that is longer. */
const SERVER_FOR = 395 * DAY;
/** Made anew when less than that is left. */
const NEW_BEFORE = 30 * DAY;
/** Private networks (RFC 1918), what a cable without a router gives (RFC 3927), and this machine. */
const PRIVATE = ['10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '169.254.0.0/16', '127.0.0.0/8'];
const privately = new BlockList();
for (const subnet of PRIVATE) {
  const [net, prefix] = subnet.split('/');
  privately.addSubnet(net, Number(prefix));
}

x509.cryptoProvider.set(webcrypto);

/** Whether an IPv4 address is one that the authority may vouch for. */
export const isPrivate = (address) => isIP(address) === 4 && privately.check(address);

function constraints() {
  const subtree = (base) => new GeneralSubtree({ base: new GeneralName(base) });
  const permittedSubtrees = new GeneralSubtrees([
    ...PRIVATE.map((iPAddress) => subtree({ iPAddress })),
    ...['local', 'localhost'].map((dNSName) => subtree({ dNSName }))
  ]);
  return new x509.Extension(
    id_ce_nameConstraints,
    true,
    AsnConvert.serialize(new NameConstraints({ permittedSubtrees }))
  );
}

const serial = () =>
  Buffer.from(webcrypto.getRandomValues(new Uint8Array(16)).map((b, i) => (i === 0 ? b & 0x7f : b))).toString(
    'hex'
  );
const privatePem = async (keys) =>
  x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', keys.privateKey), 'PRIVATE KEY');
async function privateKey(pem) {
  return webcrypto.subtle.importKey('pkcs8', x509.PemConverter.decodeFirst(pem), KEY, true, ['sign']);
}

async function makeAuthority(now) {
  const keys = await webcrypto.subtle.generateKey(KEY, true, ['sign', 'verify']);
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: 'CN=Hour Trail in the tent',
    notBefore: new Date(now - DAY),
    notAfter: new Date(now + AUTHORITY_FOR),
    keys,
    signingAlgorithm: KEY,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      constraints()
    ]
  });
  return { certificate: certificate.toString('pem'), key: await privatePem(keys) };
}

async function makeServer(authority, names, now) {
  const issuer = new x509.X509Certificate(authority.certificate);
  const keys = await webcrypto.subtle.generateKey(KEY, true, ['sign', 'verify']);
  const certificate = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: 'CN=Hour Trail',
    issuer: issuer.subject,
    notBefore: new Date(now - DAY),
    notAfter: new Date(now + SERVER_FOR),
    publicKey: keys.publicKey,
    signingKey: await privateKey(authority.key),
    signingAlgorithm: KEY,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIP(value) ? 'ip' : 'dns', value }))
      ),
      await x509.AuthorityKeyIdentifierExtension.create(issuer),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey)
    ]
  });
  return { certificate: certificate.toString('pem'), key: await privatePem(keys) };
}

/** Readable by the server's user alone, and whole or not there: a start that is killed half-way leaves no half a key. */
function keep(folder, name, { certificate, key }) {
  for (const [path, text] of [
    [join(folder, `${name}.key`), key],
    [join(folder, `${name}.crt`), certificate]
  ]) {
    writeFileSync(`${path}.new`, text, { mode: 0o600 });
    chmodSync(`${path}.new`, 0o600);
    renameSync(`${path}.new`, path);
  }
}
function kept(folder, name) {
  const [key, certificate] = ['key', 'crt'].map((end) => join(folder, `${name}.${end}`));
  if (!existsSync(key) || !existsSync(certificate)) return null;
  const both = { certificate: readFileSync(certificate, 'utf8'), key: readFileSync(key, 'utf8') };
  try {
    const read = new X509Certificate(both.certificate);
    return { ...both, read };
  } catch {
    return null;
  }
}

/**
 * The certificates of this server, made where there are none, where they are nearly over, or where its addresses are others.
 * @param {string} folder where they are kept
 * @param {readonly string[]} names addresses and host names it answers to; those the authority cannot vouch for are left out
 * @param {number} now ms since 1970
 * @returns {Promise<{ authority: string, fingerprint: string, certificate: string, key: string }>} in PEM
 */
export async function certificates(folder, names, now = Date.now()) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  chmodSync(folder, 0o700);
  const wanted = [
    ...new Set(names.filter((n) => (isIP(n) ? isPrivate(n) : /(^|\.)local(host)?$/.test(n))))
  ].sort();
  const lasts = (c) => c !== null && Date.parse(c.read.validTo) - now > NEW_BEFORE;
  let authority = kept(folder, 'authority');
  if (!lasts(authority)) {
    const made = await makeAuthority(now);
    keep(folder, 'authority', made);
    authority = { ...made, read: new X509Certificate(made.certificate) };
  }
  let server = kept(folder, 'server');
  const covers = (c) =>
    wanted.every((n) => (isIP(n) ? c.read.checkIP(n) : c.read.checkHost(n)) !== undefined) &&
    c.read.verify(authority.read.publicKey);
  if (!lasts(server) || !covers(server)) {
    server = await makeServer(authority, wanted, now);
    keep(folder, 'server', server);
  }
  return {
    authority: authority.certificate,
    fingerprint: createHash('sha256')
      .update(authority.read.raw)
      .digest('hex')
      .toUpperCase()
      .match(/../g)
      .join(':'),
    certificate: server.certificate,
    key: server.key
  };
}
