using SideBench.Cli;
using SideBench.Cli.Measure;

// The command-line door. ./sidebench prepares the database and hands over to it.
return args switch
{
    ["export", var file] => await ExportCommand.Run(file),
    ["read-sheet", .. var options] => ReadSheetCommand.Run(options),
    ["teach-sheet", .. var options] => TeachSheetCommand.Run(options),
    ["estimate"] => AskCommand.Estimate(),
    ["sum"] => AskCommand.Sum(),
    ["new-code", var name] => await NewCodeCommand.Run(name),
    ["doubtful-answers"] => await DoubtfulAnswersCommand.Run(),
    ["pg-env"] => PgEnv.Print(),
    ["known-packs", var folder] => KnownPacksCommand.Run(folder),
    ["measure", .. var options] => await MeasureCommand.Run(options),
    _ => Usage(),
};

static int Usage()
{
    Console.Error.WriteLine(
        "Usage: ./sidebench measure [--json FILE] | measure diagnosis [--jobs N] [--markdown FILE] | measure sheets "
            + "[--scenes N] [--markdown FILE] | estimate | read-sheet --layout L.json "
            + "--image X.jpg | teach-sheet --image A.jpg [--names K,C,M,Y] "
            + "| export FILE.csv|FILE.json | new-code NAME | doubtful-answers | backup FILE | restore FILE"
    );
    return 2;
}
