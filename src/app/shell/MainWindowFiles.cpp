// The notebook that the window shows: opened, made, rescued, remembered.
#include "MainWindow.h"
#include "SampleNotebook.h"
#include "app/controls/MessageLine.h"
#include "app/controls/OnScreen.h"
#include "app/welcome/WelcomePage.h"
#include "lesson/commands/SelectionCommands.h"

#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QMenu>
#include <QPushButton>
#include <QSettings>
#include <QVBoxLayout>

namespace uttrin::app {
namespace {

constexpr int kMostRecent = 8;

} // namespace

void MainWindow::dropUnchangedSample() {
    if (m_sample.isEmpty()) return;
    if (m_controller.isOpen() && !m_controller.session().canUndo() && !m_controller.session().canRedo())
        QFile::remove(m_sample);
    m_sample.clear();
}

bool MainWindow::openNotebook(const QString& path) {
    dropUnchangedSample();
    if (!m_controller.open(path)) {
        offerSalvage(path);
        return false;
    }
    rememberRecent(path);
    return true;
}

bool MainWindow::createNotebook(const QString& path) {
    dropUnchangedSample();
    if (!m_controller.create(path)) return false;
    rememberRecent(path);
    goTo(Station::Room);
    return true;
}

bool MainWindow::openSample() {
    const auto copy = copyOfSample();
    if (!copy) {
        m_message->say(onScreen(copy.error().message), true);
        return false;
    }
    dropUnchangedSample();
    if (!m_controller.open(*copy)) return false;
    m_sample = *copy;
    // The run that is under way.
    const auto& runs = m_controller.session().model().data().runs;
    if (!runs.empty()) m_controller.carryOut(&SelectionCommands::selectRun, runs.back().id);
    return true;
}

void MainWindow::offerSalvage(const QString& path) {
    if (!QFileInfo::exists(path)) return;
    const QString to = QFileInfo(path).absolutePath() + QLatin1Char('/') +
                       QFileInfo(path).completeBaseName() + QStringLiteral("-rescued.uttrin");
    if (QFileInfo::exists(to)) return;
    auto* offer = new QPushButton(tr("Save what can be read to %1").arg(QFileInfo(to).fileName()), this);
    offer->setObjectName(QStringLiteral("salvage"));
    m_offers->addWidget(offer);
    connect(offer, &QPushButton::clicked, this, [this, path, to, offer] {
        offer->deleteLater();
        const auto saved = Notebook::salvage(path.toStdString(), to.toStdString());
        if (!saved)
            m_message->say(onScreen(saved.error().message), true);
        else if (openNotebook(to))
            m_message->say(onScreen(Text::tr(
                               "{0} {0|reading|readings} saved from the damaged notebook, which was left as "
                               "it is.",
                               *saved)),
                           false);
    });
}

QStringList MainWindow::recentNotebooks() {
    return QSettings().value(QStringLiteral("recent")).toStringList();
}

void MainWindow::rememberRecent(const QString& path) {
    QStringList recent = recentNotebooks();
    const QString full = QFileInfo(path).absoluteFilePath();
    recent.removeAll(full);
    recent.prepend(full);
    QSettings().setValue(QStringLiteral("recent"), recent.mid(0, kMostRecent));
    fillRecent();
}

void MainWindow::fillRecent() {
    m_recent->clear();
    const QStringList recent = recentNotebooks();
    if (!m_controller.isOpen()) m_welcome->showRecent(recent, QDateTime::currentMSecsSinceEpoch());
    for (const QString& path : recent)
        m_recent->addAction(QDir::toNativeSeparators(path), this, [this, path] { openNotebook(path); });
    m_recent->setEnabled(!recent.isEmpty());
}

} // namespace uttrin::app
