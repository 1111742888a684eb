import { HttpErrorResponse, type HttpInterceptorFn } from '@angular/common/http';
import { inject } from '@angular/core';
import { Router, type CanActivateFn } from '@angular/router';
import { tap } from 'rxjs';
import { MeService } from './me.service';

/** Leads to the login whoever has not said who he is, and a guest to the one plan he may see. */
export const known: CanActivateFn = async (_route, { url }) => {
  const router = inject(Router);
  const { role, variant } = await inject(MeService).know();
  if (!role) return router.createUrlTree(['/login'], { queryParams: { back: url } });
  return (
    role !== 'guest' || url.startsWith(`/plan/${variant ?? ''}`) || router.createUrlTree(['/plan', variant])
  );
};

/** A session that has ended leads to the login; what was typed stays and is offered back. */
export const ended: HttpInterceptorFn = (request, next) => {
  const router = inject(Router);
  return next(request).pipe(
    tap({
      error: (error: unknown) => {
        const { url } = router;
        if (error instanceof HttpErrorResponse && error.status === 401 && !/^\/(login|join|guest)/.test(url))
          void router.navigate(['/login'], { queryParams: { back: url } });
      },
    }),
  );
};
