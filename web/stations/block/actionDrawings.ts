import type { ActionId } from '#core/hand'

/** A stroke of a drawing, 120 × 80: what it is of, and its path. A blade is drawn at a place, turned by degrees. */
export type Stroke =
  | { of: 'meat' | 'bone' | 'skin' | 'hint' | 'move' | 'twine'; d: string }
  | { of: 'knife' | 'saw'; at: readonly [number, number]; turn: number }
  | { of: 'word'; at: readonly [number, number]; says: string }

const meat = (d: string): Stroke => ({ of: 'meat', d })
const bone = (d: string): Stroke => ({ of: 'bone', d })
const skin = (d: string): Stroke => ({ of: 'skin', d })
const hint = (d: string): Stroke => ({ of: 'hint', d })
const move = (d: string): Stroke => ({ of: 'move', d })
const twine = (d: string): Stroke => ({ of: 'twine', d })
const knife = (x: number, y: number, turn = 0): Stroke => ({ of: 'knife', at: [x, y], turn })
const saw = (x: number, y: number, turn = 0): Stroke => ({ of: 'saw', at: [x, y], turn })
const word = (x: number, y: number, says: string): Stroke => ({ of: 'word', at: [x, y], says })

/** Our own drawings of the actions that words explain badly. */
export const DRAWINGS: Partial<Record<ActionId, readonly Stroke[]>> = {
  seam: [
    meat('M56 14C30 8 8 24 10 44C12 66 36 72 54 66C50 50 52 30 56 14Z'),
    meat('M64 12C92 8 112 26 110 46C108 66 86 74 62 66C58 50 60 30 64 12Z'),
    hint('M60 12C56 30 54 50 58 68'),
    move('M34 40H18'),
    move('M86 40H102'),
    knife(60, 22, -90),
  ],
  joint: [
    bone('M4 30H40C52 20 60 30 56 40C60 50 52 60 40 50H4'),
    bone('M116 58L84 48C72 54 62 50 64 40C62 30 74 26 84 32L116 42'),
    hint('M60 22C57 32 57 48 61 60'),
    move('M96 66C108 62 112 56 112 50'),
    knife(60, 18, -90),
  ],
  boneOut: [
    meat('M8 44C8 20 40 10 66 12C98 14 114 28 112 46C110 66 80 72 54 70C26 68 8 62 8 44Z'),
    bone('M22 42C16 34 26 28 32 36H84C92 28 102 34 96 42C102 50 92 56 84 48H32C26 56 16 50 22 42Z'),
    hint('M34 30H84'),
    move('M40 26H78'),
    knife(40, 32, 0),
  ],
  ribsOut: [
    meat('M6 56C6 44 30 42 60 42C92 42 114 44 114 58C114 70 90 74 60 74C28 74 6 70 6 56Z'),
    bone('M10 40C40 38 70 34 108 10'),
    bone('M14 34C42 32 68 28 98 6'),
    bone('M8 46C40 44 74 40 114 20'),
    move('M92 34C100 28 106 22 110 14'),
    knife(30, 45, -4),
  ],
  free: [
    bone('M8 18h12v10h-12zM26 17h12v10h-12zM44 16h12v10h-12zM62 15h12v10h-12zM80 14h12v10h-12z'),
    meat('M6 40C30 34 62 30 96 40C112 46 114 60 102 64C80 66 36 50 6 40Z'),
    move('M106 52C116 44 112 34 100 32'),
    knife(92, 34, 188),
    word(30, 77, 'thick end first'),
  ],
  membrane: [
    meat('M8 24H112V72H8Z'),
    bone('M22 24V72M44 24V72M66 24V72M88 24V72'),
    skin('M8 24H70C60 36 52 44 34 52C24 56 14 60 8 62Z'),
    hint('M70 24C60 36 52 44 34 52C24 56 14 60 8 62'),
    move('M46 40C62 36 78 26 88 12'),
  ],
  open: [
    meat('M8 52H58V66H8Z'),
    meat('M58 52C60 34 76 22 104 18L110 30C86 34 72 42 66 56Z'),
    hint('M14 50H56'),
    move('M70 24C82 16 94 12 106 10'),
    knife(16, 49, 0),
    word(10, 77, 'not through the far side'),
  ],
  pocket: [
    meat('M10 24C40 14 84 14 108 26C114 44 108 62 92 66C60 72 28 70 14 62C6 50 6 36 10 24Z'),
    skin('M10 24C40 14 84 14 108 26L106 32C84 22 40 22 12 31Z'),
    hint('M54 28C34 32 24 44 34 56C50 66 82 62 88 50C88 38 78 30 62 28'),
    knife(58, 12, 80),
  ],
  french: [
    bone('M28 8V40M50 6V38M72 6V38M94 8V40'),
    meat('M14 40C34 34 88 34 106 40C116 54 108 72 60 74C14 72 6 56 14 40Z'),
    hint('M12 38C40 31 84 31 108 38'),
    move('M38 34V16'),
    move('M84 34V16'),
  ],
  roll: [
    meat(
      'M18 40C18 22 34 10 56 12C80 14 92 30 88 46C84 62 66 70 50 64C36 58 32 44 42 36C52 28 68 34 66 46C64 52 56 54 52 50',
    ),
    hint('M88 46C92 58 104 64 116 64'),
    move('M112 54C100 46 98 34 100 24'),
    word(64, 78, 'thin side last'),
  ],
  tie: [
    meat('M12 26H108C116 34 116 54 108 62H12C4 54 4 34 12 26Z'),
    twine('M60 24V64M22 24V64M98 24V64M41 24V64M79 24V64'),
    word(56, 18, '1'),
    word(18, 18, '2'),
    word(94, 18, '3'),
    word(37, 18, '4'),
    word(75, 18, '5'),
  ],
  chine: [
    bone('M8 20H34V62H8Z'),
    bone('M34 28C60 24 84 30 112 46M34 40C58 36 82 42 108 58M34 52C56 48 78 54 100 68'),
    meat('M36 22C44 12 66 10 74 20C78 28 60 30 40 27Z'),
    hint('M39 18V66'),
    saw(40, 10, 90),
  ],
}
