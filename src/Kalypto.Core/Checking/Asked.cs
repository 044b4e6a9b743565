using System.Globalization;
using Kalypto.Core.Asking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>What somebody asks about a delivery, at the layer that it is about.</summary>
public sealed class Asked : ICheck
{
    /// <inheritdoc/>
    public string Id => "asked";

    /// <inheritdoc/>
    public string Name => "asked about a delivery";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "What developers ask at a number of a plate, and what clients remark, until the delivery that settles it is out.",
        "They wait for it, and build something else meanwhile.",
        "“its pressed state is missing”, asked at a button whose pressed state is drawn and does not ship.",
        "Do what is asked with one key, or answer; the next delivery settles it.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var question in plan.Questions.Where(q => plan.Designs.Any(d => d.Id == q.Layer.Design && q.Layer.Ordinal < d.Layers.Length)))
        {
            var (design, layer) = plan.At(question.Layer);
            var asks = $"{(question.Who.Length > 0 ? question.Who : "Somebody")} asks at {CheckedPlan.Where(design, layer)}: {question.Sentence}{(question.Sentence.EndsWith('”') ? "" : ".")}";
            var about = question.Id.ToString(CultureInfo.InvariantCulture);
            var wanted = question.Wanted(design);
            yield return question.IsDone(design)
                ? new(Id, Severity.Hint, question.Layer, $"{asks} {(question.Answer.Length > 0 ? $"Answered: “{question.Answer}” " : "")}The next delivery settles it.") { About = about }
                : new(Id, Severity.Warning, wanted is null ? question.Layer : new LayerRef(design.Id, wanted.Ordinal),
                    asks + (wanted is null ? $"{(asks.EndsWith('”') ? "." : "")} " + (question.IsGone ? "The layer is not in the drawing any more: answer what became of it." : $"No layer of the drawing shows it: draw it, call it “{design.NameOf(layer)} {question.State}”, and bring the drawing in.") : "")
                    + (question.Answer.Length > 0 ? $" Answered: “{question.Answer}”" : ""), FixOf(question, design, wanted))
                { About = about };
        }
    }

    private static Fix? FixOf(Question question, DesignState design, Layer? wanted) => wanted is null ? null : question.Kind switch
    {
        QuestionKind.Picture or QuestionKind.State => new($"ship {design.NameOf(wanted)}", Decision: Decision.Ship),
        QuestionKind.Code => new($"build {design.NameOf(wanted)} in code", Decision: Decision.Code),
        _ => null,
    };
}
