"""Try small faults in the core: `./heimat test --mutants`. Less than four fifths of them seen is a failure.

Faults that change nothing that anybody could notice are listed in `equivalent.json`, each with its reason, and do not
count.
"""

import argparse
import json
import queue
import sys
import tempfile
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

from heimat.local.saying import say
from tools.mutants.drawing import Mutant, drawn
from tools.mutants.reaching import Reach, reach
from tools.mutants.trying import asked, copied, is_seen

COUNT, SEED = 200, 11
LEAST_SHARE = 0.8
_PROCESSES = 2
_EQUIVALENT = Path(__file__).with_name("equivalent.json")


def main() -> int:
    """Draw, try, tell."""
    parser = argparse.ArgumentParser(prog="./heimat test --mutants")
    parser.add_argument("--count", type=int, default=COUNT)
    parser.add_argument("--seed", type=int, default=SEED, help="another one draws other faults")
    given = parser.parse_args()
    equivalent = {
        (each["file"], each["was"], each["becomes"]) for each in json.loads(_EQUIVALENT.read_text())
    }
    every = drawn(given.count, given.seed)
    mutants = [each for each in every if (each.file, each.was, each.becomes) not in equivalent]
    with tempfile.TemporaryDirectory(prefix="heimat-mutants-") as folder:
        say("Running the tests once, to know what reaches which line")
        reached = reach(Path(folder))
        say(f"Trying {len(mutants)} faults; {len(every) - len(mutants)} more change nothing")
        missed = _missed(mutants, reached, Path(folder))
    for mutant in missed:
        print(f"not seen: {mutant.file}:{mutant.line}\n    {mutant.was}\n    {mutant.becomes}")
    seen = len(mutants) - len(missed)
    say(f"{seen} of {len(mutants)} faults seen, {seen / len(mutants):.0%}")
    return 0 if seen >= LEAST_SHARE * len(mutants) else 1


def _missed(mutants: list[Mutant], reached: Reach, folder: Path) -> list[Mutant]:
    """Those that no test sees, in their order."""
    houses: queue.Queue[Path] = queue.Queue()
    for at in range(_PROCESSES):
        houses.put(copied(folder / f"house {at}"))

    def tried(mutant: Mutant) -> bool:
        tests = asked(reached.of(mutant.file, mutant.line), reached.seconds)
        if not tests:
            return False
        house = houses.get()
        try:
            return is_seen(mutant, tests, house)
        finally:
            houses.put(house)

    with ThreadPoolExecutor(_PROCESSES) as two:
        return [
            mutant
            for mutant, seen in zip(mutants, two.map(tried, mutants), strict=True)
            if not seen
        ]


if __name__ == "__main__":
    sys.exit(main())
