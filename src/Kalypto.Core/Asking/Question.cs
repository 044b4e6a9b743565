using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Asking;

/// <summary>Something that somebody asks about a layer of a delivery, and that no delivery has settled yet.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Layer">The layer; of a point or a screen as a whole, the layer that stands for the screen.</param>
/// <param name="Kind">What is asked for.</param>
/// <param name="Who">Who asks; empty when they did not say.</param>
public sealed record Question(int Id, LayerRef Layer, QuestionKind Kind, string Who)
{
    /// <summary>The state that is missing, where one is.</summary>
    public string State { get; init; } = "";

    /// <summary>What they say in their own words.</summary>
    public string Words { get; init; } = "";

    /// <summary>What was answered; empty for nothing yet.</summary>
    public string Answer { get; init; } = "";

    /// <summary>True when the layer that was asked about is not in the drawing any more, and the question stands at its screen.</summary>
    public bool IsGone { get; init; }

    /// <summary>What is asked for, in words.</summary>
    public string Sentence => Kind switch
    {
        QuestionKind.Picture => "it needs to be a picture",
        QuestionKind.Code => "it needs to be built in code",
        QuestionKind.State => $"its {State} state is missing",
        _ => $"“{Words}”",
    } + (Kind != QuestionKind.Words && Words.Length > 0 ? $": “{Words}”" : "");

    /// <summary>The layer that must be decided for it: of a missing state, the one that shows it; null where no layer does, or it is gone.</summary>
    public Layer? Wanted(DesignState design)
    {
        if (IsGone)
        {
            return null;
        }
        var layer = design.Layers[Layer.Ordinal];
        if (Kind != QuestionKind.State)
        {
            return layer;
        }
        if (design.States.TryGetValue(layer, out var set) && set.Members.FirstOrDefault(m => m.State == State && m.Layer != layer).Layer is { } member)
        {
            return member;
        }
        // One that lies beside the button or in it, and is called after it.
        var name = NameWords.Split(design.NameOf(layer));
        return design.Layers.FirstOrDefault(l => l != layer && l.Parent is not null && (l.Parent == layer.Parent || l.Ancestors().Contains(layer)) && l.Content is not (LayerContent.Text or LayerContent.Screen)
            && StateSets.StateOf(l, design.SaidOf) is var (state, words) && state == State && words.SequenceEqual(name, StringComparer.OrdinalIgnoreCase));
    }

    /// <summary>True when it is decided as was asked, or answered: the next delivery settles it.</summary>
    public bool IsDone(DesignState design) => IsGone ? Answer.Length > 0 : Kind switch
    {
        QuestionKind.Picture or QuestionKind.State => Wanted(design) is { } wanted && (design.MarkOf(wanted).Decision == Decision.Ship || wanted.Ancestors().Any(a => design.MarkOf(a).Decision == Decision.Ship && design.SaidOf(a).Tags.Parts == true)),
        QuestionKind.Code => design.MarkOf(design.Layers[Layer.Ordinal]).Decision == Decision.Code,
        _ => Answer.Length > 0,
    };
}
