using System.Runtime.InteropServices;
using Kalypto.Core.Styling;

namespace Kalypto.Drawing.Native;

/// <summary>Sets lines of text as the quick engine does, and measures them.</summary>
internal static partial class Pango
{
    private const string Library = "libpango-1.0.so.0";
    private const string OnCairo = "libpangocairo-1.0.so.0";
    private const string Lines = "libcairo.so.2";
    private const string GObject = "libgobject-2.0.so.0";

    // PANGO_SCALE: what its lengths are counted in, for each px.
    private const double Unit = 1024;

    // Letters are set this large, so that nothing is rounded to px.
    private const double Large = 100;
    private const int Italic = 2;
    private const int Off = 1;

    [StructLayout(LayoutKind.Sequential)]
    private record struct Rectangle(int X, int Y, int Width, int Height);

    [LibraryImport(OnCairo)]
    private static partial nint pango_cairo_font_map_new();

    [LibraryImport(OnCairo)]
    private static partial void pango_cairo_context_set_font_options(nint context, nint options);

    [LibraryImport(Library)]
    private static partial nint pango_font_map_create_context(nint map);

    [LibraryImport(Library)]
    private static partial void pango_context_set_round_glyph_positions(nint context, int round);

    [LibraryImport(Library)]
    private static partial nint pango_layout_new(nint context);

    [LibraryImport(Library)]
    private static partial void pango_layout_set_single_paragraph_mode(nint layout, int isSingle);

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial void pango_layout_set_text(nint layout, string text, int length);

    [LibraryImport(Library)]
    private static partial void pango_layout_set_font_description(nint layout, nint description);

    [LibraryImport(Library)]
    private static partial void pango_layout_set_attributes(nint layout, nint attributes);

    [LibraryImport(Library)]
    private static partial void pango_layout_get_extents(nint layout, nint ink, out Rectangle logical);

    [LibraryImport(Library)]
    private static partial int pango_layout_get_baseline(nint layout);

    [LibraryImport(Library)]
    private static partial nint pango_font_description_new();

    [LibraryImport(Library, StringMarshalling = StringMarshalling.Utf8)]
    private static partial void pango_font_description_set_family(nint description, string family);

    [LibraryImport(Library)]
    private static partial void pango_font_description_set_weight(nint description, int weight);

    [LibraryImport(Library)]
    private static partial void pango_font_description_set_style(nint description, int style);

    [LibraryImport(Library)]
    private static partial void pango_font_description_set_absolute_size(nint description, double size);

    [LibraryImport(Library)]
    private static partial void pango_font_description_free(nint description);

    [LibraryImport(Library)]
    private static partial nint pango_attr_list_new();

    [LibraryImport(Library)]
    private static partial void pango_attr_list_insert(nint list, nint attribute);

    [LibraryImport(Library)]
    private static partial void pango_attr_list_unref(nint list);

    [LibraryImport(Library)]
    private static partial nint pango_attr_letter_spacing_new(int spacing);

    [LibraryImport(Lines)]
    private static partial nint cairo_font_options_create();

    [LibraryImport(Lines)]
    private static partial void cairo_font_options_set_hint_metrics(nint options, int hints);

    [LibraryImport(Lines)]
    private static partial void cairo_font_options_set_hint_style(nint options, int hints);

    [LibraryImport(Lines)]
    private static partial void cairo_font_options_destroy(nint options);

    [LibraryImport(GObject)]
    private static partial void g_object_unref(nint instance);

    /// <summary>Measures each.</summary>
    public static LineMeasure[] Measure(IReadOnlyList<TextAsk> texts)
    {
        // A map of its own, which knows the fonts that hold now.
        var map = pango_cairo_font_map_new();
        var context = pango_font_map_create_context(map);
        var options = cairo_font_options_create();
        cairo_font_options_set_hint_metrics(options, Off);
        cairo_font_options_set_hint_style(options, Off);
        pango_cairo_context_set_font_options(context, options);
        pango_context_set_round_glyph_positions(context, 0);
        var layout = pango_layout_new(context);
        pango_layout_set_single_paragraph_mode(layout, 1);
        try
        {
            return [.. texts.Select(text => Measure(layout, text))];
        }
        finally
        {
            g_object_unref(layout);
            cairo_font_options_destroy(options);
            g_object_unref(context);
            g_object_unref(map);
        }
    }

    private static LineMeasure Measure(nint layout, TextAsk text)
    {
        var description = pango_font_description_new();
        pango_font_description_set_family(description, string.Join(',', Core.Fonts.FamilyList.Of(text.Families)));
        pango_font_description_set_weight(description, text.Weight);
        pango_font_description_set_style(description, text.IsItalic ? Italic : 0);
        pango_font_description_set_absolute_size(description, Large * Unit);
        pango_layout_set_font_description(layout, description);
        pango_font_description_free(description);
        pango_layout_set_text(layout, text.Words, -1);
        var share = text.Size / Large;
        var attributes = pango_attr_list_new();
        if (text.LetterSpacing != 0 && text.Size > 0)
        {
            pango_attr_list_insert(attributes, pango_attr_letter_spacing_new((int)Math.Round(text.LetterSpacing / share * Unit)));
        }
        pango_layout_set_attributes(layout, attributes);
        pango_attr_list_unref(attributes);
        pango_layout_get_extents(layout, 0, out var logical);
        var ascent = pango_layout_get_baseline(layout);
        double Pt(int length) => Math.Round(length / Unit * share, 3);
        return new(Pt(logical.Width), Pt(ascent), Pt(logical.Height - ascent));
    }
}
