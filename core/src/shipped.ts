/** What ships, with its questions: apart from the rest of core, for the browser fetches those when they are wanted. */
export * from './curriculum/shipped';
export * from './curriculum/shipped/questions';
