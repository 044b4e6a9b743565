using System.Globalization;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Fonts;
using Kalypto.Core.Designs;
using Kalypto.Core.Reading;

namespace Kalypto.Web.Wording;

/// <summary>Says what became of a file.</summary>
internal static class BroughtInWords
{
    private const int Million = 1_000_000;

    public static string Say(BroughtIn result) => result switch
    {
        BroughtIn.Measuring far => string.Create(CultureInfo.InvariantCulture, $"{far.Done:N0} of {far.Of:N0} layers measured"),
        BroughtIn.Read read => $"{Words.Count(read.Layers, "layer")} on {Words.Count(read.Screens, "screen")}{(read.DrawnAt > 1 ? $", drawn at {Numbers.Text(read.DrawnAt, 2)}x by its size" : "")}",
        BroughtIn.Next next => $"draft {next.Draft.Number} of {next.Name}{(next.DrawnAt is { } at ? $", drawn at {Numbers.Text(at, 2)}x: sizes in pt stay as they were" : "")}{(next.Draft.Asked > 0 ? $", {next.Draft.Asked} to say" : "")}",
        BroughtIn.Unchanged same => $"nothing changed: {same.Name} has this file already",
        BroughtIn.Refused refused => Not(result, refused.Why.Message),
        BroughtIn.Lettered font => font.IsNew ? $"{KeepFonts.Say(font.Fonts)} {(font.Fonts.Count == 1 ? "belongs" : "belong")} to the project now" : $"the project has {KeepFonts.Say(font.Fonts)} already",
        BroughtIn.FontRefused refused => Not(result, refused.Why.Message),
        BroughtIn.FontAlone => Not(result, "Fonts belong to a project: bring a drawing in first, then drop the font there."),
        BroughtIn.TooLarge large => Not(result,
            $"The file has {large.Bytes / Million} MB; {ReadingLimits.Default.Bytes / Million} MB is the most. Split the drawing into several files, or embed its photos smaller."),
        BroughtIn.ZipRefused { Why: ZipRefusal.NotWhole } => Not(result, "The zip is not whole. Make it again and bring that in."),
        BroughtIn.ZipRefused { Why: ZipRefusal.TooMany } => Not(result, $"The zip holds more than {BringIn.MostEntries} entries. Make several zips of it."),
        BroughtIn.ZipRefused => Not(result, $"The zip holds no drawing. Kalypto reads {string.Join(", ", DrawingReader.Endings)}."),
        BroughtIn.NoProject => Not(result, "The project is archived or not there any more. Bring it back on the page of all projects first."),
        _ => throw new ArgumentOutOfRangeException(nameof(result)),
    };

    private static string Not(BroughtIn result, string why) => $"{result.File} was not brought in. {why}";
}
