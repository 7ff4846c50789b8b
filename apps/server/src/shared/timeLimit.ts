import {
  type CallHandler,
  type ExecutionContext,
  GatewayTimeoutException,
  Injectable,
  type NestInterceptor,
  SetMetadata,
} from "@nestjs/common";
import { type Observable, catchError, throwError, timeout, TimeoutError } from "rxjs";

/** So long a request is waited for; milliseconds. */
const LONGEST = 25_000;
const NO_LIMIT = "takes its time";

/** For what takes as long as it takes, such as an import. */
export const TakesItsTime = (): MethodDecorator => SetMetadata(NO_LIMIT, true);

/** Nobody waits for an answer for ever: what takes longer is answered in words, and may still come to its end. */
@Injectable()
export class TimeLimit implements NestInterceptor {
  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    if (context.getType() !== "http" || Reflect.getMetadata(NO_LIMIT, context.getHandler()) === true) return next.handle();
    return next.handle().pipe(
      timeout(LONGEST),
      catchError((error: unknown) =>
        throwError(() =>
          error instanceof TimeoutError
            ? new GatewayTimeoutException(
                `This was not done within ${LONGEST / 1000} s, and is not waited for; look whether it was before you do it again`,
              )
            : error,
        ),
      ),
    );
  }
}
