import { Controller, Sse, type MessageEvent } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { interval, map, merge, type Observable } from 'rxjs'
import { NewsService } from './newsService.ts'

/** So that whatever stands between keeps the line open, and a device that left is noticed; milliseconds. */
const BEAT = 25_000

@ApiTags('news')
@Controller('news')
export class NewsController {
  constructor(private readonly news: NewsService) {}

  /** That something was written, as server-sent events; `beat` now and then. */
  @Sse('events')
  all(): Observable<MessageEvent> {
    return merge(
      this.news.stream().pipe(map((data): MessageEvent => ({ data }))),
      interval(BEAT).pipe(map((): MessageEvent => ({ type: 'beat', data: '' }))),
    )
  }
}
