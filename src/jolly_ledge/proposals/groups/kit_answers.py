"""Which things at hand meet what the use of a piece asks for, and which of them alone."""

from collections.abc import Callable, Collection, Iterable, Mapping

from jolly_ledge.measures.kits import Need, needs_of
from jolly_ledge.model.roles import Role
from jolly_ledge.proposals.problem import Problem
from jolly_ledge.proposals.thing import Thing


class KitAnswers:
    """Tells what answers the needs of a piece.

    Parameters
    ----------
    problem : Problem
    things : mapping of str to Thing
        What is at hand, by id.
    roles_for : callable
        Returns the roles of the ledges that a thing fits on.
    """

    def __init__(
        self, problem: Problem, things: Mapping[str, Thing], roles_for: Callable[[Thing], Iterable[Role]]
    ) -> None:
        # What a free place meets as well needs nothing from the stash.
        self._needs = tuple(need for need in needs_of(problem.piece) if not need.free)
        self._led_before, self._things, self._roles_for = problem.led_before, things, roles_for

    def added_to(self, pool: list[Thing]) -> list[Thing]:
        """Return some things with the worthiest answer to all that the use asks for and they do not meet."""
        whole = list(pool)
        for need in self._needs:
            if not any(self._meets(thing, need) for thing in whole):
                answers = [thing for thing in self._things.values() if self._meets(thing, need)]
                whole += sorted(answers, key=self._comes_last)[:1]
        return whole

    def is_alone(self, thing: Thing, gone: Collection[str] = ()) -> bool:
        """Tell whether nothing else at hand meets something that the use asks for: such a thing comes in every look.

        Parameters
        ----------
        thing : Thing
        gone : collection of str
            Ids of what is as good as not at hand.
        """
        others = [other for other in self._things.values() if other is not thing and other.id not in gone]
        return any(
            self._meets(thing, need) and not any(self._meets(other, need) for other in others) for need in self._needs
        )

    def _comes_last(self, thing: Thing) -> tuple[bool, bool, float]:
        """Order what answers a need: what wants a vessel or led an earlier look only where nothing else does."""
        return thing.category == "stems", thing.id in self._led_before, -thing.worth

    def _meets(self, thing: Thing, need: Need) -> bool:
        return any(need.takes(thing.item, role) for role in self._roles_for(thing))
