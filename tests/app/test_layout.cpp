// SPDX-License-Identifier: GPL-3.0-or-later
// Text that can be read to its end: on every page, in both languages, in one that is twice as long, in small
// windows, at twice the size. What is shortened on purpose tells the rest when it is pointed at.
#include <QtTest>

#include <QAbstractScrollArea>
#include <QApplication>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QRadioButton>
#include <QScrollArea>
#include <QStyleOption>
#include <QTextDocument>
#include <QToolButton>
#include <QTranslator>

#include "app/help/trouble_report.h"
#include "app/settings/library_place.h"
#include "app/shell/display_scale.h"
#include "app/shell/first_start.h"
#include "app/shell/language.h"
#include "app/shell/sample_files.h"
#include "app/widgets/controls.h"
#include "app/widgets/focus_ring.h"
#include "support/every_page.h"

using namespace moorfrost;
using namespace moorfrost::app;

/// Every text of the window, twice: as long as any language may be.
class TwiceAsLong : public QTranslator {
public:
    bool isEmpty() const override { return false; }
    QString translate(const char* context, const char* source, const char*, int n) const override {
        if (!QByteArray(context).startsWith("moorfrost") || !*source)
            return {};
        QString once = QString::fromUtf8(source);
        if (n >= 0)
            once.replace("%n", QString::number(n));
        // A format of a date or a number, a separator: not a text.
        static const QRegularExpression word("[A-Za-z]{3}");
        return once.contains(word) ? once + " " + once : once;
    }
};

class TestLayout : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;
    QList<QTranslator*> added_;

    static QString whereIs(const QWidget* widget) {
        QStringList out;
        for (const QWidget* one = widget; one && out.size() < 4; one = one->parentWidget())
            out << QString("%1#%2").arg(one->metaObject()->className(), one->objectName());
        return out.join(" < ");
    }
    static QString plain(const QString& text) {
        if (!Qt::mightBeRichText(text))
            return QString(text).remove('&');
        QTextDocument document;
        document.setHtml(text);
        return document.toPlainText();
    }
    /// Where something that it stands in cuts it off, but for what can be scrolled.
    static QString cutByParent(const QWidget* widget) {
        for (const QWidget* one = widget; const QWidget* parent = one->parentWidget(); one = parent) {
            if (widget->isWindow() || one->isWindow())
                return {};
            const auto* area = qobject_cast<const QAbstractScrollArea*>(parent->parentWidget());
            if (area && area->viewport() == parent)
                return {};
            const QRect here(widget->mapTo(parent, QPoint()), widget->size());
            if (!parent->rect().adjusted(-1, -1, 1, 1).contains(here))
                return QString("at %1, %2, %3 x %4, in %5 x %6")
                    .arg(here.x())
                    .arg(here.y())
                    .arg(here.width())
                    .arg(here.height())
                    .arg(parent->width())
                    .arg(parent->height());
        }
        return {};
    }
    static QString clipped(QWidget* widget) {
        constexpr int slack = 1; // pixels
        if (auto* label = qobject_cast<QLabel*>(widget)) {
            if (label->text().isEmpty() || !label->pixmap(Qt::ReturnByValue).isNull())
                return {};
            const int room = label->contentsRect().width();
            if (dynamic_cast<ShortLabel*>(label)) {
                const int wants = label->fontMetrics().horizontalAdvance(plain(label->text()));
                return wants > room + slack && label->toolTip().isEmpty()
                           ? QString("shortened, without saying the rest")
                           : QString();
            }
            if (label->wordWrap()) {
                if (label->heightForWidth(label->width()) > label->height() + slack)
                    return QString("%1 high, needs %2")
                        .arg(label->height())
                        .arg(label->heightForWidth(label->width()));
            } else if (label->sizeHint().width() > label->width() + slack) {
                return QString("%1 wide, needs %2").arg(label->width()).arg(label->sizeHint().width());
            }
        } else if (qobject_cast<QComboBox*>(widget) || qobject_cast<QLineEdit*>(widget)) {
            // Shortened by design; FullText tells the rest. What is left must still say something.
            return !FullText::of(widget).isEmpty() && widget->width() < 90
                       ? QString("hardly anything to read")
                       : QString();
        } else if (auto* button = qobject_cast<QAbstractButton*>(widget)) {
            if (button->text().isEmpty())
                return {};
            const auto* tool = qobject_cast<QToolButton*>(button);
            if (tool && tool->toolButtonStyle() == Qt::ToolButtonIconOnly && !tool->icon().isNull())
                return {};
            int wants = button->sizeHint().width(), room = button->width();
            if (button->metaObject()->className() == QByteArray("moorfrost::app::RailButton")) {
                wants = button->fontMetrics().horizontalAdvance(button->text()) * 11 / 13;
                room = button->width();
            }
            if (wants > room + slack && button->toolTip().isEmpty())
                return QString("%1 wide, needs %2").arg(room).arg(wants);
        } else {
            return {};
        }
        return cutByParent(widget);
    }
    /// A panel that only goes up and down, and is wider than what is seen of it.
    static QString cutPanel(const QWidget* widget) {
        const auto* area = qobject_cast<const QScrollArea*>(widget);
        if (!area || !area->widget() || area->horizontalScrollBarPolicy() != Qt::ScrollBarAlwaysOff ||
            area->widget()->width() <= area->viewport()->width())
            return {};
        // What makes it so wide.
        QStringList by;
        for (const QWidget* one : area->widget()->findChildren<QWidget*>())
            if (one->isVisible() && one->findChildren<QWidget*>().isEmpty() &&
                one->mapTo(area->widget(), QPoint(one->width(), 0)).x() > area->viewport()->width())
                by << QString("%1 %2")
                          .arg(one->metaObject()->className())
                          .arg(one->minimumSizeHint().width());
        return QString("%1 wide, %2 seen, by %3")
            .arg(area->widget()->width())
            .arg(area->viewport()->width())
            .arg(by.join(", "));
    }
    static QStringList clippedIn(QWidget* window) {
        QStringList out;
        for (QWidget* widget : window->findChildren<QWidget*>()) {
            if (!widget->isVisible() || widget->window() != window)
                continue;
            if (const QString how = cutPanel(widget); !how.isEmpty())
                out << QString("a panel, %1 (%2)").arg(how, whereIs(widget));
            // The line of a spin box or a choice is part of it.
            if (qobject_cast<QLineEdit*>(widget) &&
                (qobject_cast<QAbstractSpinBox*>(widget->parentWidget()) ||
                 qobject_cast<QComboBox*>(widget->parentWidget())))
                continue;
            if (const QString how = clipped(widget); !how.isEmpty()) {
                QString text;
                if (auto* label = qobject_cast<QLabel*>(widget))
                    text = label->text();
                else if (auto* button = qobject_cast<QAbstractButton*>(widget))
                    text = button->text();
                else if (auto* line = qobject_cast<QLineEdit*>(widget))
                    text = line->placeholderText();
                else if (auto* box = qobject_cast<QComboBox*>(widget))
                    text = box->currentText();
                out << QString("\"%1\" (%2; %3)").arg(text.left(70), how, whereIs(widget));
            }
        }
        return out;
    }

    void speak(const QString& language) {
        const QObjectList before = qApp->children();
        if (language == "twice") {
            added_ << new TwiceAsLong;
            QApplication::installTranslator(added_.last());
            return;
        }
        language::install(language);
        for (QObject* one : qApp->children())
            if (auto* texts = qobject_cast<QTranslator*>(one); texts && !before.contains(one))
                added_ << texts;
    }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
    }
    void cleanup() {
        d_.reset();
        for (QTranslator* one : added_) {
            QApplication::removeTranslator(one);
            delete one;
        }
        added_.clear();
        QApplication::setLayoutDirection(Qt::LeftToRight);
        box_.reset();
    }

    void nothingIsClipped_data() {
        QTest::addColumn<QString>("language");
        QTest::addColumn<QSize>("size");
        QTest::newRow("English") << "en" << QSize(1280, 800);
        QTest::newRow("English, a small display") << "en" << QSize(1024, 600);
        QTest::newRow("English, twice as large on 1920 x 1080") << "en" << QSize(960, 540);
        QTest::newRow("German") << "de" << QSize(1280, 800);
        QTest::newRow("German, a small display") << "de" << QSize(1024, 600);
        QTest::newRow("German, twice as large on 1920 x 1080") << "de" << QSize(960, 540);
        QTest::newRow("twice as long") << "twice" << QSize(1280, 800);
    }
    void nothingIsClipped() {
        QFETCH(QString, language);
        QFETCH(QSize, size);
        speak(language);
        d_ = somethingOnEveryPage(box_->root());
        MainWindow& w = d_->window();
        w.resize(size);
        QVERIFY2(w.width() <= size.width() && w.height() <= size.height(),
                 qPrintable(QString("%1 x %2").arg(w.width()).arg(w.height())));
        int count = 0;
        for (const PageOfAll& page : everyPage()) {
            showPage(*d_, page);
            QTest::qWait(30); // what was told last is laid out
            QStringList found = clippedIn(&w);
            found.removeDuplicates();
            if (w.width() > size.width() || w.height() > size.height())
                found << QString("the window grew to %1 x %2").arg(w.width()).arg(w.height());
            for (const QString& one : found) // all of them: a message of a test is cut
                std::fprintf(stderr, "%s: %s\n", page.name, qPrintable(one));
            count += static_cast<int>(found.size());
        }
        FirstStartDialog first({d_->controllers().shelves, d_->controllers().standards});
        SampleFilesDialog samples;
        TroubleReportDialog report("report");
        MoveLibraryDialog move(*box_ / "library.db");
        for (QWidget* dialog : std::initializer_list<QWidget*>{&first, &samples, &report, &move}) {
            dialog->show();
            QTest::qWait(30);
            for (const QString& one : clippedIn(dialog)) {
                std::fprintf(stderr, "%s: %s\n", dialog->metaObject()->className(), qPrintable(one));
                ++count;
            }
            dialog->hide();
        }
        QCOMPARE(count, 0);
    }

    // Whatever reads from the right has the rail at the right, and each page after it.
    void rightToLeftIsMirrored() {
        QApplication::setLayoutDirection(Qt::RightToLeft);
        d_ = somethingOnEveryPage(box_->root());
        MainWindow& w = d_->window();
        for (const PageOfAll& page : everyPage()) {
            showPage(*d_, page);
            QList<QAbstractButton*> rail;
            for (QAbstractButton* one : w.findChildren<QAbstractButton*>())
                if (one->metaObject()->className() == QByteArray("moorfrost::app::RailButton"))
                    rail << one;
            QVERIFY(!rail.isEmpty());
            QVERIFY(rail.first()->mapTo(&w, QPoint()).x() > w.width() / 2);
            for (QWidget* widget : w.findChildren<QWidget*>())
                QVERIFY2(widget->isRightToLeft() || widget->testAttribute(Qt::WA_SetLocale) ||
                             widget->property("always left to right").toBool(),
                         qPrintable(whereIs(widget)));
            QTest::qWait(30);
            const QStringList found = clippedIn(&w);
            QVERIFY2(found.isEmpty(), qPrintable(QString(page.name) + ": " + found.join("\n")));
        }
    }

    // Whoever goes through a page by keyboard sees where they are.
    void whatHasTheKeyboardIsSeen() {
        d_ = somethingOnEveryPage(box_->root());
        MainWindow& w = d_->window();
        QStringList unseen;
        for (const PageOfAll& page : everyPage()) {
            showPage(*d_, page);
            for (QWidget* widget : w.findChildren<QWidget*>()) {
                if (!widget->isVisible() || !widget->isEnabled() || widget->window() != &w ||
                    !(widget->focusPolicy() & Qt::TabFocus) || widget->visibleRegion().isEmpty() ||
                    qobject_cast<QScrollArea*>(widget))
                    continue;
                if (QWidget* now = QApplication::focusWidget())
                    now->clearFocus();
                // What is around it belongs to it: a frame may be drawn there.
                const QRect around =
                    QRect(widget->mapTo(&w, QPoint()), widget->size()).adjusted(-4, -4, 4, 4) & w.rect();
                const QImage before = w.grab(around).toImage();
                widget->setFocus(Qt::TabFocusReason);
                QCoreApplication::processEvents();
                if (QApplication::focusWidget() != widget || !widget->isVisible())
                    continue; // it hands it on
                const QRect now =
                    QRect(widget->mapTo(&w, QPoint()), widget->size()).adjusted(-4, -4, 4, 4) & w.rect();
                if (now == around && w.grab(around).toImage() == before)
                    unseen << QString(page.name) + ": " + widget->accessibleName() + " " + whereIs(widget);
            }
        }
        unseen.removeDuplicates();
        for (const QString& one : unseen)
            std::fprintf(stderr, "no focus seen: %s\n", qPrintable(one));
        QCOMPARE(unseen.size(), 0);
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestLayout test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_layout.moc"
