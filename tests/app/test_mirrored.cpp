// SPDX-License-Identifier: GPL-3.0-or-later
// For a language that reads from the right the whole window is mirrored, what is painted by hand, too: turned
// over, each page has its ink where it is otherwise.
#include <QtTest>

#include <QAbstractSpinBox>
#include <QApplication>
#include <QInputMethodEvent>
#include <QLabel>
#include <QLineEdit>

#include "app/shell/parts.h"
#include "app/shell/theme.h"
#include "app/widgets/field_box.h"
#include "app/widgets/judging_box.h"
#include "app/widgets/waveform.h"
#include "support/every_page.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestMirrored : public QObject {
    Q_OBJECT

    static constexpr int cell = 8; // pixels
    /// Row by row: whether something is painted there.
    using Ink = std::vector<std::vector<bool>>;

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;

    static Ink inkOf(const QImage& image) {
        const int columns = image.width() / cell, rows = image.height() / cell, around = 2;
        Ink out(static_cast<size_t>(rows), std::vector<bool>(static_cast<size_t>(columns)));
        for (int y = 0; y < rows; ++y)
            for (int x = 0; x < columns; ++x) {
                const QRect area =
                    QRect(x * cell, y * cell, cell, cell).adjusted(-around, -around, around, around) &
                    image.rect();
                int low = 255, high = 0;
                for (int v = area.top(); v <= area.bottom(); ++v)
                    for (int u = area.left(); u <= area.right(); ++u) {
                        const int grey = qGray(image.pixel(u, v));
                        low = std::min(low, grey);
                        high = std::max(high, grey);
                    }
                out[static_cast<size_t>(y)][static_cast<size_t>(x)] = high - low > 24;
            }
        return out;
    }

    /// Cells with ink in one of the two, without any near it in the other: words are not mirrored, their
    /// place is.
    static std::vector<QPoint> misplaced(const Ink& a, const Ink& b) {
        constexpr int near = 4;
        const int height = static_cast<int>(a.size()), width = static_cast<int>(a[0].size());
        auto any = [&](const Ink& in, int x, int y) {
            for (int v = std::max(0, y - 1); v <= std::min(height - 1, y + 1); ++v)
                for (int u = std::max(0, x - near); u <= std::min(width - 1, x + near); ++u)
                    if (in[static_cast<size_t>(v)][static_cast<size_t>(u)])
                        return true;
            return false;
        };
        std::vector<QPoint> out;
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                const bool one = a[static_cast<size_t>(y)][static_cast<size_t>(x)],
                           two = b[static_cast<size_t>(y)][static_cast<size_t>(x)];
                if (one != two && !any(one ? b : a, x, y))
                    out.push_back({x, y});
            }
        return out;
    }

    /// What is typed begins where its language begins; the time of a sound goes to the right for everybody.
    static QRegion leftAsItIs(const QWidget& window) {
        QRegion out;
        for (const QWidget* one : window.findChildren<QWidget*>())
            if (one->isVisible() &&
                (qobject_cast<const QLineEdit*>(one) || qobject_cast<const QAbstractSpinBox*>(one) ||
                 qobject_cast<const Waveform*>(one)))
                out += QRect(one->mapTo(&window, QPoint()), one->size());
        return out;
    }

    static void read(Qt::LayoutDirection from) {
        QApplication::setLayoutDirection(from);
        theme::applyStyleSheet(); // as at a start
    }

    template<class Each>
    void eachPage(const Path& folder, Each&& each) {
        d_ = somethingOnEveryPage(folder);
        MainWindow& w = d_->window();
        w.resize(1280, 800);
        for (const PageOfAll& page : everyPage()) {
            showPage(*d_, page);
            QTest::qWait(30); // what was told last is laid out
            each(page, w);
        }
    }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
    }
    void cleanup() {
        d_.reset();
        read(Qt::LeftToRight);
        box_.reset();
    }

    void everyPageIsMirrored() {
        std::map<QString, QImage> usual;
        eachPage(box_->root(),
                 [&](const PageOfAll& page, MainWindow& w) { usual[page.name] = w.grab().toImage(); });
        read(Qt::RightToLeft);
        int count = 0;
        const test::Sandbox another;
        eachPage(another.root(), [&](const PageOfAll& page, MainWindow& w) {
            const QRegion apart = leftAsItIs(w);
            const QImage turned = w.grab().toImage().mirrored(true, false);
            QCOMPARE(turned.size(), usual[page.name].size());
            for (const QPoint& at : misplaced(inkOf(usual[page.name]), inkOf(turned))) {
                const QRect area(w.width() - (at.x() + 1) * cell, at.y() * cell, cell, cell);
                if (apart.intersects(area))
                    continue;
                const QWidget* there = w.childAt(area.center());
                std::fprintf(stderr, "%s: %d, %d from the right, in %s\n", page.name, at.x() * cell,
                             at.y() * cell, there ? there->metaObject()->className() : "the window");
                ++count;
            }
        });
        QCOMPARE(count, 0);
    }

    // A click and a key mean what is seen: the first star is the rightmost, and left is onward.
    void clicksAndKeysAreMirrored() {
        read(Qt::RightToLeft);
        RatingBar bar;
        bar.resize(bar.sizeHint());
        bar.show();
        QTest::mouseClick(&bar, Qt::LeftButton, {}, QPoint(bar.width() - 6, bar.height() / 2));
        QVERIFY2(bar.accessibleName().contains("1 of 5"), qPrintable(bar.accessibleName()));
        QTest::keyClick(&bar, Qt::Key_Left);
        QVERIFY2(bar.accessibleName().contains("2 of 5"), qPrintable(bar.accessibleName()));
    }

    // From part to part by keyboard: as it is read.
    void partsAreGoneThroughFromTheRight() {
        read(Qt::RightToLeft);
        d_ = somethingOnEveryPage(box_->root());
        MainWindow& w = d_->window();
        showPage(*d_, everyPage()[4]); // the library, with a panel at each side
        std::vector<int> edges;        // where each part ends at the right
        const QWidget* first = nullptr;
        for (goToPart(&w, 1); QApplication::focusWidget() != first; goToPart(&w, 1)) {
            const QWidget* now = QApplication::focusWidget();
            first = first ? first : now;
            edges.push_back(now->mapTo(&w, QPoint(now->width(), 0)).x());
            QVERIFY(edges.size() < 20);
        }
        QVERIFY(edges.size() > 2);
        QVERIFY(std::ranges::is_sorted(edges, std::greater<>()));
    }

    // In any window: what is told beside a value is not painted over one that reads from the right.
    void aNoteIsBesideWhatReadsFromTheRight() {
        d_ = somethingOnEveryPage(box_->root());
        showPage(*d_, everyPage()[2]);
        FieldBox* box = nullptr;
        for (FieldBox* one : d_->window().findChildren<FieldBox*>())
            if (one->key() == "genre" && one->isVisible())
                box = one;
        QVERIFY(box);
        box->setFocus();
        QInputMethodEvent typed;
        typed.setCommitString(QString::fromUtf8("\u05D0\u05D1\u05D2")); // three letters of Hebrew
        QApplication::sendEvent(box, &typed);
        QTest::keyClick(box, Qt::Key_Return);
        box->clearFocus();
        d_->settle();
        const QImage image = box->grab().toImage();
        auto inked = [&](const QRect& area) {
            for (int y = area.top(); y <= area.bottom(); ++y)
                for (int x = area.left(); x <= area.right(); ++x)
                    if (qGray(image.pixel(x, y)) < 200)
                        return true;
            return false;
        };
        const QRect inside = box->rect().adjusted(9, 9, -5, -5);
        QVERIFY(inked(inside.adjusted(inside.width() / 2, 0, 0, 0)));  // the value
        QVERIFY(inked(inside.adjusted(0, 0, -inside.width() / 2, 0))); // where it came from
    }

    // Back and forth: whoever chooses another language has nothing left of the one before.
    void labelsFollowBackAndForth() {
        QLabel label("Night Post");
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        label.ensurePolished();
        const Qt::Alignment before = label.alignment();
        read(Qt::RightToLeft);
        QCOMPARE(label.alignment(), Qt::AlignRight | Qt::AlignAbsolute | Qt::AlignVCenter);
        read(Qt::LeftToRight);
        QCOMPARE(label.alignment(), before);
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestMirrored test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_mirrored.moc"
