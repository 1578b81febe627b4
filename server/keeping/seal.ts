import { Decrypter, Encrypter } from 'age-encryption'

const HEAD = Buffer.from('age-encryption.org/')

/** Doublings of scrypt's work: a second or two for whoever has the passphrase, a year of machines for who guesses. */
const WORK_FACTOR = 18

/** Whether a file is sealed (the age format, version 1). */
export const isSealed = (bytes: Uint8Array): boolean =>
  Buffer.from(bytes.subarray(0, HEAD.length)).equals(HEAD)

/** Seals bytes with a passphrase (scrypt and ChaCha20-Poly1305 of the age format): without it nobody opens them again. */
export async function seal(
  bytes: Uint8Array,
  passphrase: string,
  workFactor = WORK_FACTOR,
): Promise<Uint8Array> {
  const sealing = new Encrypter()
  sealing.setScryptWorkFactor(workFactor)
  sealing.setPassphrase(passphrase)
  return sealing.encrypt(bytes)
}

/** Opens what was sealed; null when the passphrase is another, or a byte was changed. */
export async function unseal(bytes: Uint8Array, passphrase: string): Promise<Uint8Array | null> {
  const opening = new Decrypter()
  opening.addPassphrase(passphrase)
  try {
    return await opening.decrypt(bytes)
  } catch {
    return null
  }
}
