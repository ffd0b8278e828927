/** The application: one computer's studio inside the shell, a screen for each address. */
import { QueryClientProvider, useQuery, type QueryClient } from '@tanstack/react-query';
import { useCallback, useState, type ComponentType } from 'react';
import {
  createBrowserRouter,
  Navigate,
  Outlet,
  Link,
  RouterProvider,
  useLocation,
  useRouteError,
  type RouteObject,
} from 'react-router';
import { useCatalog } from '../studio/contexts.ts';
import { screens, type ScreenId } from '../studio/screens.ts';
import {
  chosenComputer,
  computersQuery,
  prefetchStudio,
  rememberComputer,
  shownComputer,
} from '../studio/studio-queries.ts';
import { StudioProvider } from '../studio/studio.tsx';
import { ErrorBoundary } from '../ui/error-boundary.tsx';
import { NoticesProvider } from '../ui/notices.tsx';
import { DestinationContext } from '../ui/use-address.ts';
import { Shell } from './shell.tsx';
import * as texts from './texts.ts';

/** Each screen is fetched with its dialogs when its address is opened first. */
const fetchScreen: Readonly<Record<ScreenId, () => Promise<ComponentType>>> = {
  scan: async () => (await import('../scan/scan-screen.tsx')).ScanScreen,
  sort: async () => (await import('../sort/sort-screen.tsx')).SortScreen,
  file: async () => (await import('../file/file-screen.tsx')).FileScreen,
  rule: async () => (await import('../rule/rule-screen.tsx')).RuleScreen,
  load: async () => (await import('../load/load-screen.tsx')).LoadScreen,
  review: async () => (await import('../review/review-screen.tsx')).ReviewScreen,
  keep: async () => (await import('../keep/keep-screen.tsx')).KeepScreen,
  chart: async () => (await import('../keep/chart-page.tsx')).ChartPage,
  plugin: async () => (await import('../plugin/plugin-page.tsx')).PluginPage,
};

const screenRoutes = (Object.keys(screens) as ScreenId[]).map(
  (id): RouteObject => ({
    path: screens[id].path,
    lazy: async () => ({ Component: await fetchScreen[id]() }),
    ErrorBoundary: FailedScreen,
  }),
);

/** What the computer holds is asked for while its screen is fetched. */
const createRouter = (queries: QueryClient) =>
  createBrowserRouter([
    {
      Component: Rooms,
      HydrateFallback: Opening,
      loader: () => {
        prefetchStudio(queries);
        return null;
      },
      shouldRevalidate: () => false,
      children: [
        {
          Component: Shell,
          children: [
            ...screenRoutes,
            { index: true, Component: FirstScreen },
            { path: '*', Component: NoSuchPage },
          ],
        },
      ],
    },
  ]);

export function App({ queries }: { queries: QueryClient }) {
  const [router] = useState(() => createRouter(queries));
  const [destination] = useState(
    () => () => (router.state.navigation.location ?? router.state.location).pathname,
  );
  return (
    <QueryClientProvider client={queries}>
      <NoticesProvider>
        <ErrorBoundary what={texts.cleverDrawer}>
          <DestinationContext value={destination}>
            <RouterProvider router={router} />
          </DestinationContext>
        </ErrorBoundary>
      </NoticesProvider>
    </QueryClientProvider>
  );
}

function Rooms() {
  const [{ chosen, since }, setChosen] = useState(() => ({ chosen: chosenComputer(), since: 0 }));
  const choose = useCallback((id: string) => {
    rememberComputer(id);
    setChosen({ chosen: id, since: performance.now() });
  }, []);
  const computers = useQuery(computersQuery);
  if (computers.error) {
    return (
      <main id="content" tabIndex={-1} className="p-4" role="alert">
        {computers.error.message}
      </main>
    );
  }
  const computer = shownComputer(computers.data ?? [], chosen);
  if (!computer) {
    return <Opening />;
  }
  return (
    <StudioProvider
      key={computer.id}
      computer={computer}
      computers={computers.data ?? []}
      chooseComputer={choose}
      since={since}
      waiting={
        <main id="content" tabIndex={-1} className="visually-hidden">
          {texts.openingComputer(computer.name)}
        </main>
      }
    >
      <Outlet />
    </StudioProvider>
  );
}

function Opening() {
  return (
    <main id="content" tabIndex={-1} className="visually-hidden">
      {texts.opening}
    </main>
  );
}

/** What kept a screen from being fetched or drawn is said by the shell, round which the bar stays. */
function FailedScreen(): never {
  throw useRouteError();
}

/** The first screen: the catalog when there is one, else where it begins. */
function FirstScreen() {
  const { plugins } = useCatalog();
  return <Navigate to={plugins.length > 0 ? '/file' : '/scan'} replace />;
}

/** An address that leads nowhere says so, and where to go from there. */
function NoSuchPage() {
  const { pathname } = useLocation();
  return (
    <main id="content" tabIndex={-1} className="empty">
      <h1>{texts.noSuchPage}</h1>
      <p>{texts.nothingIsAt(pathname)}</p>
      <p>
        <Link to="/">{texts.goToThePlugins}</Link>
      </p>
    </main>
  );
}
