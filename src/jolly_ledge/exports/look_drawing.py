"""The drawing of a look as pixels, as outlines, or for a drawing office."""

from jolly_ledge.exports.export import MOST_PIXELS, Export, Options, file_stem
from jolly_ledge.model.errors import ExportError
from jolly_ledge.model.plan import Plan


def _made(plan: Plan, options: Options, suffix: str) -> bytes:
    from jolly_ledge.geometry.arrangement import arrange

    least, most = MOST_PIXELS
    if not least <= options.pixels <= most:
        raise ExportError(f"The size runs from {least} to {most} pixels; choose one in that range.")
    arrangement = arrange(plan, options.look)
    if suffix == ".dxf":
        from jolly_ledge.files.dxf import look_to_dxf

        return look_to_dxf(arrangement).encode()
    from jolly_ledge.drawing.look import look_picture
    from jolly_ledge.render.export import picture_bytes, ready_to_render

    ready_to_render()
    return picture_bytes(look_picture(arrangement), suffix, options.pixels, options.scale)


EXPORT = Export(
    "draw", "the drawing", (".png", ".svg", ".dxf"), ("looks", "pixels", "scale"), _made, file_stem, of_a_look=True
)
