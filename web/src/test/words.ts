import english from "../../../words/en.json";
import { speak } from "../words/say";

speak("en", english);

// A busy machine is no failure: what is waited for has longer than a second.
if (typeof document !== "undefined") (await import("@testing-library/react")).configure({ asyncUtilTimeout: 20_000 });
