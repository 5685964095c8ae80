#include "Application.h"

int main(int argc, char** argv) { return uttrin::app::runApplication(argc, argv); }
