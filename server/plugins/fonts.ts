import { provideFonts } from '../reports/fonts'

/** The fonts that go with the built server: see `serverAssets` in nuxt.config.ts. */
export default defineNitroPlugin(() => {
  provideFonts(async (file) => {
    const [, family, , name] = file.split('/')
    const bytes = await useStorage('assets').getItemRaw(`${family}:${name}`)
    return new Uint8Array(bytes as ArrayBuffer)
  })
})
