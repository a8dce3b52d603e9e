/** Something the person at the keyboard can act on: told in one sentence, without a stack. */
export class Trouble extends Error {}

/** Run `main`; on trouble say the sentence and leave with a non-zero code. */
export async function orSayWhy(main) {
  try {
    await main()
  } catch (error) {
    console.error(inOneSentence(error) ?? error)
    process.exit(1)
  }
}

/** What a person can do about it; undefined for a fault of ours. */
function inOneSentence(error) {
  if (error instanceof Trouble) return error.message
  const { code, message = '', path, syscall } = error ?? {}
  const where = path ? ` (${path})` : ''
  if (/ENOSPC|EDQUOT/.test(code) || /No space left on device/.test(message))
    return `The disk is full${where}: make room and try again.`
  // Node makes folders down a path and, where a disk can only be read, says that the path is not there.
  const cannotBeMade = code === 'ENOENT' && syscall === 'mkdir'
  if (code === 'EROFS' || cannotBeMade || /Read-only file system/.test(message))
    return `Nothing can be written here, as on a read-only disk${where}: put the data elsewhere with BLASTOMIX_DATA_DIR=<folder> ./start`
  if (code === 'EACCES' || code === 'EPERM')
    return `This may not be written here${where}: put the data elsewhere with BLASTOMIX_DATA_DIR=<folder> ./start`
  return undefined
}
