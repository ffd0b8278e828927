/** Where drawing a part fails, the rest stays usable, and what happened can be copied. */
import { Component, type ErrorInfo, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import * as texts from './texts.ts';

interface Props {
  /** "This screen", say: what could not be shown. */
  readonly what: string;
  /** Where one is: after a failure, somewhere else is shown anew. */
  readonly at?: string;
  readonly children: ReactNode;
}

interface Failure {
  readonly error: Error;
  readonly stack: string;
}

export class ErrorBoundary extends Component<Props, { readonly failure: Failure | null }> {
  override state: { readonly failure: Failure | null } = { failure: null };

  static getDerivedStateFromError(error: unknown): { failure: Failure } {
    const shown = error instanceof Error ? error : new Error(String(error));
    return { failure: { error: shown, stack: '' } };
  }

  override componentDidCatch(error: Error, { componentStack }: ErrorInfo): void {
    this.setState({ failure: { error, stack: componentStack ?? '' } });
  }

  override componentDidUpdate(before: Props): void {
    if (before.at !== this.props.at && this.state.failure !== null) {
      this.setState({ failure: null });
    }
  }

  override render(): ReactNode {
    const { failure } = this.state;
    return failure ? (
      <Trouble
        what={this.props.what}
        failure={failure}
        onAgain={() => {
          this.setState({ failure: null });
        }}
      />
    ) : (
      this.props.children
    );
  }
}

/** What happened as a text to send to somebody: the message, where in the code, and at which address. */
export const reportOf = ({ error, stack }: Failure, address: string): string =>
  [`${error.name}: ${error.message}`, address, error.stack ?? '', stack].join('\n');

interface TroubleProps {
  readonly what: string;
  readonly failure: Failure;
  readonly onAgain: () => void;
}

function Trouble(props: TroubleProps) {
  const { what, failure, onAgain } = props;
  return (
    <main id="content" tabIndex={-1} className="p-4" role="alert">
      <h1 className="h4">{texts.couldNotBeShown(what)}</h1>
      <p>{texts.nothingSavedIsLost(failure.error.message)}</p>
      <p className="d-flex gap-2">
        <Button onClick={onAgain}>{texts.tryAgain}</Button>
        <Button
          variant="quiet"
          onClick={() => {
            void navigator.clipboard.writeText(reportOf(failure, window.location.href));
          }}
        >
          {texts.copyTheDetails}
        </Button>
      </p>
    </main>
  );
}
