"""Where the look is seen from elsewhere than straight on: each view is made when it is first asked for."""

from typing import TYPE_CHECKING

from PySide6.QtWidgets import QStackedWidget

from jolly_ledge.app.steps.arrange.view_strip import IN_THE_ROOM, ViewStrip
from jolly_ledge.workspace.workspace import Workspace

if TYPE_CHECKING:
    from jolly_ledge.app.views.look.room_view import RoomView
    from jolly_ledge.app.views.look.sight_view import SightView


class Sights:
    """Holds the views from a place and into the room, among the views of Arrange."""

    def __init__(self, workspace: Workspace, views: QStackedWidget, strip: ViewStrip) -> None:
        self._workspace, self._views, self._strip = workspace, views, strip
        self.sight: SightView | None = None
        self.room: RoomView | None = None

    def look_through(self) -> None:
        """See with other eyes what is seen."""
        if self.sight is not None:
            self.sight.look_through(self._strip.ways, shut=self._strip.is_shut)
            self.sight.show_cords("cords" in self._strip.shown)

    def show(self) -> None:
        """Show the look from the place that is chosen."""
        if self._strip.place == IN_THE_ROOM:
            if self.room is None:
                from jolly_ledge.app.views.look.room_view import RoomView

                self.room = RoomView(self._workspace)
                self._views.addWidget(self.room)
            self._views.setCurrentWidget(self.room)
            return
        if self.sight is None:
            from jolly_ledge.app.views.look.sight_view import SightView

            self.sight = SightView(self._workspace)
            self._views.addWidget(self.sight)
        self.look_through()
        self.sight.look_from(self._strip.eye)
        self._views.setCurrentWidget(self.sight)
