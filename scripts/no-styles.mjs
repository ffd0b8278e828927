/** What unit tests get instead of a style sheet. */
export default {};
