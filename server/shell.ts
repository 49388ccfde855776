/**
 * A job's page is the same document for every job but for its number, a nonce and what the job holds. Drawn as a shell, it
 * says none of them: the number is this one, and the job is read from the document it is put into.
 */
export const SHELL_HEADER = 'x-pelvik-shell';
export const SHELL_NUMBER = '987654321';
/** The element a document keeps its job in; the layout of the job pages has it read from there. */
export const JOB_ELEMENT = 'pelvik-job';
