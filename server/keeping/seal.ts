import { Decrypter, Encrypter } from 'age-encryption'

const HEAD = Buffer.from('age-encryption.org/')

/** Whether a file is sealed (the age format, version 1). */
export const isSealed = (bytes: Uint8Array): boolean =>
  Buffer.from(bytes.subarray(0, HEAD.length)).equals(HEAD)

/** Seals bytes with a passphrase (scrypt and ChaCha20-Poly1305 of the age format): without it nobody opens them again. */
export async function seal(bytes: Uint8Array, passphrase: string): Promise<Uint8Array> {
  const sealing = new Encrypter()
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
