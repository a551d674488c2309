// A load from a process of its own, so that it does not share the server's thread.
import autocannon from 'autocannon';

const [url, connections, duration, cookie] = process.argv.slice(2);
const options = { url, connections: Number(connections), headers: { cookie } };
await autocannon({ ...options, duration: 3 });
const { latency, requests, non2xx } = await autocannon({ ...options, duration: Number(duration) });
console.log(
  JSON.stringify({ p50: latency.p50, p975: latency.p97_5, mean: latency.average, perSecond: requests.average, non2xx }),
);
