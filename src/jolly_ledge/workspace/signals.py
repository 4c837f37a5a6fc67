"""Who is told of what: one signal for each thing that can happen to the plan in hand."""

from collections.abc import Callable
from typing import Any, Protocol


class Emitter(Protocol):
    """Tells those who listen; the window brings signals of its own toolkit."""

    def connect(self, listener: Callable[..., object], /) -> object:
        """Tell a listener from now on."""
        ...

    def emit(self, *told: Any) -> None:
        """Tell all that listen."""
        ...


class PlainSignal:
    """Tells listeners in the order in which they came."""

    def __init__(self) -> None:
        self._listeners: list[Callable[..., object]] = []

    def connect(self, listener: Callable[..., object], /) -> object:
        """Tell a listener from now on."""
        self._listeners.append(listener)
        return None

    def emit(self, *told: Any) -> None:
        """Tell all that listen."""
        for listener in tuple(self._listeners):
            listener(*told)


class Signals(Protocol):
    """All that is told of a plan in hand."""

    @property
    def changed(self) -> Emitter:
        """The plan, the piece or the look in hand is another; it comes after the finer ones."""
        ...

    @property
    def plan_changed(self) -> Emitter:
        """An edit, a step back or another plan: the plan is another."""
        ...

    @property
    def stash_changed(self) -> Emitter:
        """The things of the stash are others."""
        ...

    @property
    def pieces_changed(self) -> Emitter:
        """Some piece is another."""
        ...

    @property
    def in_hand_changed(self) -> Emitter:
        """Another piece or another look is in hand."""
        ...

    @property
    def previewed(self) -> Emitter:
        """A gesture shows what would be; nothing is committed."""
        ...

    @property
    def chosen(self) -> Emitter:
        """Other things or another ledge are chosen."""
        ...

    @property
    def pointed(self) -> Emitter:
        """Other placements are pointed at."""
        ...

    @property
    def saved(self) -> Emitter:
        """The plan is saved."""
        ...

    @property
    def length_unit_changed(self) -> Emitter:
        """Lengths are shown in another unit."""
        ...

    @property
    def refused(self) -> Emitter:
        """Something could not be done; one sentence for people."""
        ...

    @property
    def committed(self) -> Emitter:
        """An edit changed the plan; the edit is told."""
        ...

    @property
    def told(self) -> Emitter:
        """Something went well; one sentence for people."""
        ...

    @property
    def step_asked(self) -> Emitter:
        """A view offers to go on to another step; its name."""
        ...

    @property
    def compare_asked(self) -> Emitter:
        """Looks to lay side by side; without any, those beside the one in hand."""
        ...

    @property
    def changed_on_disk(self) -> Emitter:
        """The file is another than the one that was opened; one sentence for people."""
        ...

    @property
    def unkept(self) -> Emitter:
        """Whether there is work that is not kept for recovery yet."""
        ...


class PlainSignals:
    """Signals for a plan in hand without a window."""

    def __init__(self) -> None:
        self.changed = PlainSignal()
        self.plan_changed = PlainSignal()
        self.stash_changed = PlainSignal()
        self.pieces_changed = PlainSignal()
        self.in_hand_changed = PlainSignal()
        self.previewed = PlainSignal()
        self.chosen = PlainSignal()
        self.pointed = PlainSignal()
        self.saved = PlainSignal()
        self.length_unit_changed = PlainSignal()
        self.refused = PlainSignal()
        self.committed = PlainSignal()
        self.told = PlainSignal()
        self.step_asked = PlainSignal()
        self.compare_asked = PlainSignal()
        self.changed_on_disk = PlainSignal()
        self.unkept = PlainSignal()
