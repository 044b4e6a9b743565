using Kalypto.Application.Packs;
using Kalypto.Core.Packing;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A file in an opened row and on the pack page.</summary>
/// <param name="Platform">The id of its platform.</param>
/// <param name="Path">Where it goes.</param>
/// <param name="Name">Its name without the folder.</param>
/// <param name="Format">Its format with the quality that is asked.</param>
/// <param name="Size">Scale or width.</param>
/// <param name="Width">px.</param>
/// <param name="Height">px.</param>
/// <param name="Weight">Its weight for people, marked where it is an estimate.</param>
/// <param name="Bytes">Its weight.</param>
/// <param name="IsEstimate">True until it is drawn.</param>
/// <param name="Picture">Where its content is; null until it is drawn, or when it cannot be.</param>
/// <param name="CanShow">True for a format that browsers show.</param>
/// <param name="Failure">Why it cannot be made, or null.</param>
/// <param name="Note">What to know of it, such as the quality that was found.</param>
/// <param name="Credit">The lines that it carries, or null.</param>
/// <param name="Key">Its key, for a closer look.</param>
public sealed record DetailFile(
    string Platform, string Path, string Name, string Format, string Size, int Width, int Height, string Weight, long Bytes, bool IsEstimate,
    string? Picture, bool CanShow, string? Failure, string? Note, string? Credit, string Key)
{
    /// <summary>Puts it together.</summary>
    public static DetailFile Of(int project, PlannedPack plan, PlannedFile file)
    {
        var row = plan.Drawn.GetValueOrDefault(file.Key.Hex);
        var weight = plan.WeightOf(file);
        return new(
            file.Platform, file.Path, file.FileName, FormatOf(file), SizeOf(file), file.Width, file.Height,
            Words.Weight(weight), weight.Bytes, weight.IsEstimate, row?.Sha256 is null ? null : Links.File(project, file.Key.Hex, file.Format), file.BrowsersShow,
            row?.Failure, row?.Note, file.Credit.IsEmpty ? null : file.Credit.ToString(), file.Key.Hex);
    }

    /// <summary>The format of a file with the quality that is asked.</summary>
    public static string FormatOf(PlannedFile file) => $"{file.Format.Name}{(file.Ask.Format.Quality is { } quality ? $" {quality}" : "")}";

    /// <summary>The scale of a file, or its width where that is what was asked.</summary>
    public static string SizeOf(PlannedFile file) => file.IsLinked ? "as drawn" : file.Format.IsVector ? "every scale"
        : file.Picture.MakingFor(file.Platform) is { Wide.IsEmpty: true, Tall.IsEmpty: true, Kind: not Core.Tagging.Kinds.AppIcon } ? new Core.Formats.Scale(Math.Round(file.Scale.Factor, 2)).ToString() : $"{file.Width} px";
}
