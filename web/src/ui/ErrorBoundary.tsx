import { Component, type ReactNode } from "react";
import { Button } from "./Button";
import { say } from "../words/say";

/** When drawing a page fails, it says so instead of going blank: what was kept is kept. */
export class ErrorBoundary extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <main role="alert" className="mx-auto max-w-xl px-5 py-16">
        <h1 className="mb-3">{say("common.thisPageCouldNotBe")}</h1>
        <p className="mb-5 text-soft">{say("common.whatYouPlayedAndTyped")}</p>
        <div className="flex flex-wrap gap-3">
          <Button kind="main" onClick={() => window.location.reload()}>
            {say("common.loadItAgain")}
          </Button>
          <Button onClick={() => window.location.assign("/")}>{say("common.toToday")}</Button>
        </div>
      </main>
    );
  }
}
