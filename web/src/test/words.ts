import english from "../../../words/en.json";
import { speak } from "../words/say";

speak("en", english);
