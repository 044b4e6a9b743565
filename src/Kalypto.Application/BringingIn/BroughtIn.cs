using Kalypto.Core.Fonts;
using Kalypto.Core.Reading;
using Kalypto.Store;

namespace Kalypto.Application.BringingIn;

/// <summary>What became of one file.</summary>
/// <param name="File">Its name.</param>
public abstract record BroughtIn(string File)
{
    /// <summary>It is still on its way: how many layers are measured.</summary>
    /// <param name="File">Its name.</param>
    /// <param name="Done">Layers that are measured.</param>
    /// <param name="Of">Layers that it has.</param>
    public sealed record Measuring(string File, int Done, int Of) : BroughtIn(File);

    /// <summary>It is a design now.</summary>
    /// <param name="File">Its name.</param>
    /// <param name="Project">The project that it is in.</param>
    /// <param name="Design">The number of the design.</param>
    /// <param name="Layers">How many layers it has.</param>
    /// <param name="Screens">How many screens it has.</param>
    /// <param name="DrawnAt">What it is drawn at, as its file says or by the look of its size.</param>
    public sealed record Read(string File, int Project, int Design, int Layers, int Screens, double DrawnAt) : BroughtIn(File)
    {
        /// <summary>A design that it looks like; null for none.</summary>
        public DesignName? Like { get; init; }
    }

    /// <summary>It is the next draft of a design.</summary>
    /// <param name="File">Its name.</param>
    /// <param name="Project">The project that it is in.</param>
    /// <param name="Design">The number of the design.</param>
    /// <param name="Name">The name of the design.</param>
    /// <param name="Draft">The draft.</param>
    public sealed record Next(string File, int Project, int Design, string Name, DraftRow Draft) : BroughtIn(File)
    {
        /// <summary>What it is drawn at, where that is not what the draft before was drawn at; null else.</summary>
        public double? DrawnAt { get; init; }
    }

    /// <summary>It is what the design has already: nothing changed.</summary>
    /// <param name="File">Its name.</param>
    /// <param name="Project">The project.</param>
    /// <param name="Design">The number of the design.</param>
    /// <param name="Name">The name of the design.</param>
    public sealed record Unchanged(string File, int Project, int Design, string Name) : BroughtIn(File);

    /// <summary>It cannot be read.</summary>
    /// <param name="File">Its name.</param>
    /// <param name="Why">What is wrong with it and what to do.</param>
    public sealed record Refused(string File, DrawingRefusedException Why) : BroughtIn(File);

    /// <summary>It is a font that the project has now, or a collection of some.</summary>
    /// <param name="File">Its name.</param>
    /// <param name="Fonts">The font, or those of the collection.</param>
    /// <param name="IsNew">False for what the project had already.</param>
    public sealed record Lettered(string File, IReadOnlyList<Font> Fonts, bool IsNew) : BroughtIn(File);

    /// <summary>It is a font that cannot be used.</summary>
    /// <param name="File">Its name.</param>
    /// <param name="Why">What is wrong with it and what to do.</param>
    public sealed record FontRefused(string File, FontRefusedException Why) : BroughtIn(File);

    /// <summary>It is a font, and there is no project that it could belong to.</summary>
    /// <param name="File">Its name.</param>
    public sealed record FontAlone(string File) : BroughtIn(File);

    /// <summary>It is larger than what may come in.</summary>
    /// <param name="File">Its name.</param>
    /// <param name="Bytes">How large it is.</param>
    public sealed record TooLarge(string File, long Bytes) : BroughtIn(File);

    /// <summary>A zip that cannot be opened, or that holds too many or no drawings.</summary>
    /// <param name="File">Its name.</param>
    /// <param name="Why">What is wrong with it.</param>
    public sealed record ZipRefused(string File, ZipRefusal Why) : BroughtIn(File);

    /// <summary>The project is put away or not there any more.</summary>
    /// <param name="File">Its name.</param>
    public sealed record NoProject(string File) : BroughtIn(File);
}
