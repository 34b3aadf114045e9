import { useStorage } from "../../api/queries";
import { oneDecimal } from "../../ui/format";

const megabytes = (bytes: number) => oneDecimal(bytes / (1024 * 1024));

/** How much room the account takes, and how much there is. */
export function Room() {
  const storage = useStorage();
  if (!storage.data) return null;
  const { usedBytes, mostBytes, passages, mostPassages } = storage.data;
  return (
    <section className="max-w-md">
      <h2 className="mb-2 text-lg">Room</h2>
      <p className="text-soft">
        <b className="text-ink">
          {megabytes(usedBytes)} of {megabytes(mostBytes)} MB
        </b>{" "}
        are taken, with {passages} of {mostPassages} passages, those put away counted.
      </p>
    </section>
  );
}
