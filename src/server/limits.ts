/** Larger request bodies are refused (bytes). A job that was saved here is never larger as a file. */
export const LARGEST_BODY = 32 * 1024 * 1024;
/** One save, however much it decides. */
export const LARGEST_SAVE = 4 * 1024 * 1024;
/** A cabinet that is kept as a start. */
export const LARGEST_START = 2 * 1024 * 1024;
/** Whatever else is asked. */
export const LARGEST_OTHER = 256 * 1024;

/** A larger body is parsed and checked on another thread (bytes). */
export const READ_AT_ONCE = 256 * 1024;
