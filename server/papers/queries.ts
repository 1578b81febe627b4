import type { IssuedPaper } from '#core/papers'
import { papers, insert, selectOne } from '../store/tables/index.ts'
import type { Tx } from '../store/tx.ts'

export const insertPaper = (tx: Tx, paper: IssuedPaper): Promise<void> => insert(tx, papers, [paper])

export const selectPaper = (tx: Tx, id: string): Promise<IssuedPaper | null> =>
  selectOne(tx, papers, 'id = $1', [id])
