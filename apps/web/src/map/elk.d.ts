declare module 'elkjs/lib/elk-worker.min.js?worker' {
  const ElkWorker: new () => Worker;
  export default ElkWorker;
}
