declare module '*.html' {
  const text: string;
  export default text;
}
