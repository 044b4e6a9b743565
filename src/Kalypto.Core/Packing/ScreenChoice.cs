using Kalypto.Core.Formats;

namespace Kalypto.Core.Packing;

/// <summary>Which of the files of a picture a screen of some density takes.</summary>
public static class ScreenChoice
{
    /// <summary>
    /// The file made for the density, else the next larger one, else the largest, which is then enlarged; a file of shapes
    /// serves every density. Null when there is none.
    /// </summary>
    /// <param name="files">Files of one picture that the screen can show.</param>
    /// <param name="density">px per pt of the screen.</param>
    public static PlannedFile? For(IEnumerable<PlannedFile> files, Scale density)
    {
        var list = files.OrderBy(f => f.Scale).ToList();
        return list.FirstOrDefault(f => f.Format.IsVector) ?? list.FirstOrDefault(f => f.Scale >= density) ?? list.LastOrDefault();
    }
}
