using System.Collections.Immutable;
using Kalypto.Core.Fonts;

namespace Kalypto.Core.Designs;

/// <summary>A drawing as read: the normalised tree, its layers, its screens, and what could not be taken over.</summary>
public sealed class DrawingTree
{
    /// <summary>The SHA-256 of the file, where that is an SVG; null for other formats.</summary>
    public string? Source { get; init; }

    /// <summary>The root element.</summary>
    public required Element Root { get; init; }

    /// <summary>The size of the drawing in drawing units.</summary>
    public required Box Box { get; init; }

    /// <summary>All layers by ordinal.</summary>
    public required ImmutableArray<Layer> Layers { get; init; }

    /// <summary>The screens, at least one.</summary>
    public required ImmutableArray<Screen> Screens { get; init; }

    /// <summary>What can be referred to, by id.</summary>
    public required IReadOnlyDictionary<string, Definition> Definitions { get; init; }

    /// <summary>What could not be taken over.</summary>
    public required ImmutableArray<ReadingNote> Notes { get; init; }

    /// <summary>The fonts of the project that its texts ask for.</summary>
    public FontBook Fonts { get; private init; } = FontBook.Empty;

    /// <summary>The lists of font families that anything in it asks for, as they are written.</summary>
    public IEnumerable<string> FontFamilies => Root.SelfAndDescendants().Concat(Definitions.Values.SelectMany(d => d.Element.SelfAndDescendants().Concat(d.Around)))
        .Select(e => e.Style("font-family")).OfType<string>().Distinct();

    /// <summary>The same drawing drawn with those fonts of a project that it asks for.</summary>
    public DrawingTree With(FontBook fonts) => fonts.For(FontFamilies) is var asked && asked.Key == Fonts.Key ? this
        : new() { Source = Source, Root = Root, Box = Box, Layers = Layers, Screens = Screens, Definitions = Definitions, Notes = Notes, Fonts = asked };

    /// <summary>The same drawing with other layers and screens.</summary>
    public DrawingTree With(ImmutableArray<Layer> layers, ImmutableArray<Screen> screens) =>
        new() { Source = Source, Root = Root, Box = Box, Layers = layers, Screens = screens, Definitions = Definitions, Notes = Notes, Fonts = Fonts };
}
