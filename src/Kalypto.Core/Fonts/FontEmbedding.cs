namespace Kalypto.Core.Fonts;

/// <summary>What the maker of a font allows to be done with it inside documents (<c>fsType</c> of the table OS/2; OpenType 1.9).</summary>
public enum FontEmbedding
{
    /// <summary>It may be embedded, and installed by whoever gets the document.</summary>
    Installable,

    /// <summary>It may be embedded in documents that are edited.</summary>
    Editable,

    /// <summary>It may be embedded in documents that are looked at and printed.</summary>
    Print,

    /// <summary>It must not be embedded, or only as a whole or as bitmaps, which nothing here does.</summary>
    Not,
}
