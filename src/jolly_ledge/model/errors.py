"""The errors a person can cause, each with one clear sentence."""


class JollyLedgeError(Exception):
    """Something a person can mend; the message says what, where and what to do."""


class InvalidPlanError(JollyLedgeError):
    """A plan breaks a rule of the format.

    Parameters
    ----------
    path : str
        Where the fault is, such as ``looks[0].placements[2].item``.
    problem : str
        What is wrong there, without a full stop.
    """

    def __init__(self, path: str, problem: str) -> None:
        self.path = path
        self.problem = problem
        super().__init__(f"{path or 'plan'}: {problem}.")


class LengthError(JollyLedgeError):
    """A typed length cannot be understood."""


class EditError(JollyLedgeError):
    """An edit does not apply to the plan in hand."""


class ExportError(JollyLedgeError):
    """Something cannot be written as asked."""


class MoneyError(JollyLedgeError):
    """A typed text is no price."""


class DateError(JollyLedgeError):
    """A typed text is no date."""
