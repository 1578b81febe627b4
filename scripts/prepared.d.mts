export function preparedFolder(kind: 'demo' | 'empty'): Promise<string>
export function copyPrepared(kind: 'demo' | 'empty', to: string): Promise<void>
export function scratchFolder(prefix?: string): string
export function scratchOfRun(): () => void
