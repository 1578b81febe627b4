import fc from 'fast-check'

/**
 * The same random cases in every run of the tests, so that whether a change lands is not drawn by lot; `npm run trials -- cases`
 * draws new ones. A seed that failed is told to a test with `SEED=… npx vitest run --project unit FILE`.
 */
fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: Number(process.env['SEED'] ?? 20_261_202) })
