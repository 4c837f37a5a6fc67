"""The window's style sheet, made of the shared theme."""

from pathlib import Path

from jolly_ledge.drawing.theme import (
    BOARD,
    INK,
    OCHRE,
    OCHRE_TINT,
    PAPER,
    PATH,
    PLUM,
    PLUM_TINT,
    RULE,
    RUST,
    RUST_TINT,
    SHEET,
    SOFT_INK,
    TEAL,
    TEAL_TINT,
)

ICONS = (Path(__file__).parent.parent / "assets" / "icons").as_posix()

STYLE = f"""
* {{ color: {INK}; }}
QLabel#aside {{ color: {SOFT_INK}; }}
QPushButton#head-name, QPushButton#head-aside {{ border: none; background: transparent; padding: 0; text-align: left; }}
QPushButton#head-name {{ font-size: 21px; }}
QPushButton#head-aside {{ color: {SOFT_INK}; font-size: 16px; }}
QPushButton#head-name:hover, QPushButton#head-aside:hover, QPushButton#head-name:focus, QPushButton#head-aside:focus {{
  color: {PLUM}; border: none; }}
QMainWindow, QWidget#window {{ background: {PAPER}; }}
QWidget#sidePanel, QScrollArea#sidePanel {{ background: {SHEET}; border-left: 1px solid {RULE}; }}
QWidget#path {{ background: {PATH}; }}
QToolTip {{ background: {SHEET}; color: {INK}; border: 1px solid {RULE}; padding: 4px; font-size: 13px; }}
QScrollArea {{ border: none; background: transparent; }}
QScrollArea > QWidget > QWidget {{ background: transparent; }}
QLabel#soft {{ color: {SOFT_INK}; font-size: 13px; }}
QLabel#small {{ color: {SOFT_INK}; font-size: 12px; }}
QLabel#cardTitle {{ color: {SOFT_INK}; font-size: 12px; font-weight: 600; }}
QLabel#cardText {{ font-size: 13px; }}
QLabel#good {{ color: {TEAL}; font-weight: 600; }}

QPushButton {{
  background: {SHEET}; border: 1px solid {RULE}; border-radius: 14px; padding: 3px 10px; min-height: 20px; font-size: 13px;
}}
QPushButton:hover {{ border-color: {PLUM}; }}
QPushButton:focus {{ border: 2px solid {PLUM}; padding: 2px 9px; }}
QPushButton:checked {{ background: {PLUM_TINT}; border-color: {PLUM}; color: {PLUM}; border-width: 2px; padding: 2px 9px; }}
QPushButton:disabled {{ color: #a39e94; border-color: {RULE}; }}
QPushButton#primary {{ background: {PLUM}; color: #ffffff; border-color: {PLUM}; font-weight: 600; }}
QPushButton#primary:hover {{ background: #8f4868; }}
QPushButton#primary:disabled {{ background: #cbb8bf; border-color: #cbb8bf; }}
QPushButton#quiet {{ background: transparent; border: none; color: {PLUM}; font-weight: 600; padding: 3px 6px; text-align: left; }}
QPushButton#stopLine {{ background: #f6ded8; border: none; border-left: 4px solid #b4472e; color: #3a2620; padding: 2px 8px; text-align: left; }}
QPushButton#stopLine:hover, QPushButton#stopLine:focus {{ text-decoration: underline; }}
QPushButton#quiet:hover {{ text-decoration: underline; }}
QPushButton#quiet:focus {{ border: 1px solid {PLUM}; }}
QPushButton#quiet:disabled {{ color: #9a958b; }}

QLineEdit, QPlainTextEdit, QComboBox, QSpinBox, QDoubleSpinBox, QDateEdit {{
  background: {SHEET}; border: 1px solid {RULE}; border-radius: 5px; padding: 3px 7px; min-height: 20px;
  selection-background-color: {PLUM}; selection-color: #ffffff;
}}
QLineEdit:focus, QPlainTextEdit:focus, QComboBox:focus, QSpinBox:focus, QDoubleSpinBox:focus {{ border: 1px solid {PLUM}; }}
QLineEdit[wrong="true"] {{ border: 2px solid {RUST}; background: {RUST_TINT}; }}
QComboBox::drop-down {{ border: none; width: 22px; }}
QComboBox::down-arrow {{ image: url({ICONS}/down.svg); width: 12px; height: 12px; }}
QSpinBox QLineEdit, QDoubleSpinBox QLineEdit {{ border: none; background: transparent; padding: 0 0 0 6px; }}
QSpinBox::up-button, QDoubleSpinBox::up-button, QSpinBox::down-button, QDoubleSpinBox::down-button {{ border: none; background: transparent; width: 22px; }}
QSpinBox::up-arrow, QDoubleSpinBox::up-arrow {{ image: url({ICONS}/up.svg); width: 12px; height: 12px; }}
QSpinBox::down-arrow, QDoubleSpinBox::down-arrow {{ image: url({ICONS}/down.svg); width: 12px; height: 12px; }}
QComboBox QAbstractItemView {{ background: {SHEET}; border: 1px solid {RULE}; selection-background-color: {PLUM_TINT}; selection-color: {INK}; }}
QCheckBox {{ spacing: 8px; min-height: 28px; }}
QCheckBox::indicator {{ width: 18px; height: 18px; border: 1px solid {BOARD}; border-radius: 4px; background: {SHEET}; }}
QCheckBox::indicator:checked {{ image: url({ICONS}/tick.svg); }}
QCheckBox:focus {{ color: {PLUM}; }}

QFrame#finding {{ background: {OCHRE_TINT}; border: none; border-left: 4px solid {OCHRE}; }}
QFrame#caution {{ background: {RUST_TINT}; border: none; border-left: 4px solid {RUST}; }}
QFrame#keys-sheet {{ background: {SHEET}; border: 1px solid {RULE}; border-top: 3px solid {BOARD}; }}
QFrame#notice {{ background: {OCHRE_TINT}; border: 1px solid {RULE}; border-bottom: 3px solid {BOARD}; border-radius: 4px; }}
QFrame#notice[good="true"] {{ background: {TEAL_TINT}; border-bottom: 3px solid {TEAL}; }}
QFrame#card {{ background: {SHEET}; border: 1px solid {RULE}; border-radius: 8px; }}
QFrame#card[chosen="true"] {{ border: 2px solid {PLUM}; }}

QTableView {{ background: {SHEET}; border: 1px solid {RULE}; gridline-color: transparent; alternate-background-color: {PAPER}; }}
QHeaderView::section {{ background: {SHEET}; color: {SOFT_INK}; border: none; border-bottom: 3px solid {BOARD}; padding: 5px; font-size: 13px; }}
QTableView::item {{ padding: 3px 5px; border-bottom: 1px solid {RULE}; }}
QTableView::item:selected {{ background: {PLUM_TINT}; color: {INK}; }}

QListWidget {{ background: {SHEET}; border: 1px solid {RULE}; border-radius: 5px; font-size: 12px; }}
QListWidget::item {{ border-radius: 5px; padding: 2px; }}
QListWidget::item:selected {{ background: {PLUM_TINT}; color: {PLUM}; }}
QProgressBar {{ background: {SHEET}; border: 1px solid {RULE}; border-radius: 4px; }}
QProgressBar::chunk {{ background: {PLUM}; border-radius: 3px; }}

QScrollBar:vertical {{ background: transparent; width: 10px; margin: 2px; }}
QScrollBar:horizontal {{ background: transparent; height: 10px; margin: 2px; }}
QScrollBar::handle {{ background: #cfc6b4; border-radius: 3px; min-height: 28px; min-width: 28px; }}
QScrollBar::handle:hover {{ background: {BOARD}; }}
QScrollBar::add-line, QScrollBar::sub-line, QScrollBar::add-page, QScrollBar::sub-page {{ background: none; border: none; width: 0; height: 0; }}
QPushButton::menu-indicator {{ image: none; width: 0; }}
QMenu {{ background: {SHEET}; border: 1px solid {RULE}; padding: 4px; }}
QMenu::item {{ padding: 6px 26px 6px 14px; }}
QMenu::item:selected {{ background: {PLUM_TINT}; }}
QMenu::item:disabled {{ color: #a39e94; }}
QMenu::separator {{ height: 1px; background: {RULE}; margin: 4px 8px; }}
"""
