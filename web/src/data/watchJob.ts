export interface JobEvent<P> {
  state: 'running' | 'done' | 'failed' | 'cancelled'
  progress: P | null
  /** Why it failed. */
  detail?: string
}

/** Follow a job of the server until it ends or the caller looks away by calling what is returned. */
export function watchJob<P>(job: string, onEvent: (event: JobEvent<P>) => void): () => void {
  const source = new EventSource(`/api/jobs/${job}/events`)
  source.onmessage = ({ data }: MessageEvent<string>) => {
    const event = JSON.parse(data) as JobEvent<P>
    if (event.state !== 'running') source.close()
    onEvent(event)
  }
  source.onerror = () => {
    if (source.readyState === EventSource.CLOSED)
      onEvent({ state: 'failed', progress: null, detail: 'The server stopped answering.' })
  }
  return () => source.close()
}
