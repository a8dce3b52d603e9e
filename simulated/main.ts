import type { Server } from 'node:http'
import { SimulatedBench } from './bench'
import { forecastService } from './forecast-service'
import { labelPrinter } from './label-printer'

/*
 * The simulated bench as a process of its own, beside the application: `node simulated.mjs <address of the application>
 * <port of the forecast> <port of the label printer>`. It listens on loopback alone.
 */
const [address = 'http://127.0.0.1:3000', forecastPort = '0', printerPort = '0'] = process.argv.slice(2)

const listen = (server: Server, port: string) =>
  new Promise<string>((resolve, reject) => {
    server.once('error', reject)
    server.listen(Number(port), '127.0.0.1', () => {
      const at = server.address()
      resolve(`http://127.0.0.1:${typeof at === 'object' && at ? at.port : port}`)
    })
  })

const forecast = await listen(forecastService(), forecastPort)
const printer = await listen(labelPrinter(), printerPort)
const bench = new SimulatedBench(address)
bench.begin()
console.log(
  `Simulated bench: devices send to ${address}, forecast at ${forecast}, label printer at ${printer}`,
)
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => process.exit(0))
process.on('disconnect', () => process.exit(0))
