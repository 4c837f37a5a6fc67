"""Plans as files in the window: begun, opened, saved and recovered, never without asking for what is not saved."""

from collections.abc import Callable
from pathlib import Path

from jolly_ledge.app.dialogs import Dialogs
from jolly_ledge.app.widgets.notice import Notice, Offer
from jolly_ledge.demo import demo_bytes, demo_photos
from jolly_ledge.files.codec import plan_from_json
from jolly_ledge.model.mishaps import or_instead
from jolly_ledge.workspace.new_plan import new_plan
from jolly_ledge.workspace.workspace import Workspace

OPEN_KINDS = "Plans (*.ledge *.json);;All files (*)"


class PlanFiles:
    """Does with files what a person asks for; ``on_new`` is called when a new plan is begun."""

    def __init__(self, workspace: Workspace, dialogs: Dialogs, notice: Notice, on_new: Callable[[], object]) -> None:
        self._workspace = workspace
        self._dialogs = dialogs
        self._notice = notice
        self._on_new = on_new
        workspace.signals.changed_on_disk.connect(self._tell_changed)

    def begin_new(self) -> None:
        """Begin a new plan, after asking about unsaved work."""

        def begin() -> None:
            self._workspace.start(new_plan(), None)
            self._on_new()

        self.after_saving(begin)

    def open_demo(self, look: str = "", then: Callable[[], object] = lambda: None) -> None:
        """Open the demo, after asking about unsaved work, with a look of it in hand; then do something with it."""

        def open_it() -> None:
            self._workspace.start(plan_from_json(demo_bytes()), None, photos=demo_photos())
            if look:
                self._workspace.choose_look(look)
            then()

        self.after_saving(open_it)

    def open_recent(self, path: Path) -> None:
        """Open a plan that was open lately, after asking about unsaved work."""
        self.after_saving(lambda: self._workspace.open(path))

    def ask_open(self) -> None:
        """Open a plan a person points at, after asking about unsaved work."""

        def open_it() -> None:
            path = self._dialogs.ask_open("Open a plan", OPEN_KINDS)
            if path is not None:
                self._workspace.open(path)

        self.after_saving(open_it)

    def save(self) -> bool:
        """Save the plan; ask where when it has no file yet."""
        return self._workspace.save() if self._workspace.document.file else self.save_as()

    def save_as(self) -> bool:
        """Save the plan where a person says."""
        name = f"{self._workspace.plan.name or 'plan'}.ledge"
        path = self._dialogs.ask_save("Save the plan", name)
        if path is None:
            return False
        return self._workspace.save(path if path.suffix else path.with_suffix(".ledge"))

    def after_saving(self, action: Callable[[], object]) -> None:
        """Do something that lets the plan in hand go; ask first when work is not saved."""
        if not self._workspace.document.is_dirty:
            action()
            return

        def save_first() -> None:
            if self.save():
                action()

        offers: tuple[Offer, ...] = (("Save first", save_first), ("Go on without saving", action))
        self._notice.say(f"“{self._workspace.plan.name or 'The plan'}” has changes that are not saved.", offers)

    def _tell_changed(self, sentence: str) -> None:
        self._notice.say(
            sentence,
            (
                ("Save under another name", self.save_as),
                ("Overwrite it", lambda: self._workspace.save(overwrite_changes=True)),
                ("Open what is on disk", self._open_again),
            ),
        )

    def _open_again(self) -> None:
        if self._workspace.document.file is not None:
            self._workspace.open(self._workspace.document.file.path)

    def offer_recovery(self) -> None:
        """Offer unsaved work of a session that ended without saying goodbye."""
        found = self._workspace.document.recoverable()
        if not found:
            return
        latest = found[0]
        where = f" of “{latest.path.name}”" if latest.path else ""
        self._notice.say(
            f"Unsaved work{where} ({latest.plan.name or 'a plan without a name'}) was kept when the "
            "program ended last time.",
            (
                ("Take it in hand", lambda: self._workspace.recover(latest)),
                ("Let it go", lambda: self._workspace.document.drop(latest)),
            ),
        )

    def open_first(self, path: Path) -> None:
        """Open the plan named at the start; a refusal is said in the window."""
        or_instead(
            lambda: self._workspace.open(path), False, f"“{path.name}” could not be shown whole; it is kept as it is."
        )
