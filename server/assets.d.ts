declare module '*.sql?raw' {
  const text: string
  export default text
}
