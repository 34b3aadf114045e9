import { learnOfTakes } from "../words/language";

// Titles and labels are put together while this part of the page is loaded: its words come first. Only a build has them apart.
if (import.meta.env.PROD) await learnOfTakes();
