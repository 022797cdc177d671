/** What keys act with. What can change is asked for when a key is pressed: bindings stay the same, so that nothing that
 * shows them is drawn again. */
import type { SlipView } from "../../api/client";
import type { Workspace } from "../../workspace/Workspace";

export interface KeyContext {
  workspace: Workspace;
  /** What is selected at this moment, though it may not have been told yet. */
  slip: () => Promise<SlipView | null>;
  /** Whether the specimen is shown now. */
  specimen: () => boolean;
  /** Show the sheet of all keys, or what finds things. */
  showKeys: () => void;
  showFinder: () => void;
}
