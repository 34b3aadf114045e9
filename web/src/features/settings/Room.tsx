import { useStorage } from "../../api/queries";
import { oneDecimal } from "../../ui/format";
import { say } from "../../words/say";

const megabytes = (bytes: number) => oneDecimal(bytes / (1024 * 1024));

/** How much room the account takes, and how much there is. */
export function Room() {
  const storage = useStorage();
  if (!storage.data) return null;
  const { usedBytes, mostBytes, passages, mostPassages } = storage.data;
  return (
    <section className="max-w-md">
      <h2 className="mb-2 text-lg">{say("settings.room")}</h2>
      <p className="text-soft">
        {say("settings.ofMbAreTakenWith", {
          b: (words) => <b className="text-ink">{words}</b>,
          megabytes: megabytes(usedBytes),
          megabytes2: megabytes(mostBytes),
          passages,
          mostPassages,
        })}
      </p>
    </section>
  );
}
