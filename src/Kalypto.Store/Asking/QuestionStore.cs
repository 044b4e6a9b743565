using Npgsql;

namespace Kalypto.Store.Asking;

/// <summary>What is asked about deliveries, and what was said of their screens. It changes no design; all of it stands in the history, to stay.</summary>
public sealed class QuestionStore(Database database)
{
    /// <summary>The most questions of a project that wait for something.</summary>
    public const int MostOpen = 500;

    private const string Columns = "select id, delivery, design_id, screen, lineage, kind, x, y, state, words, who, actor, asked_at, answer, answered_by, settled_in from questions";

    /// <summary>All that was asked about a screen and not taken back, the oldest first.</summary>
    public Task<List<QuestionRow>> OnScreenAsync(int project, int design, int screen, CancellationToken cancel) => database.Source
        .Command(Columns + " where project_id = $1 and design_id = $2 and screen = $3 and withdrawn_at is null order by id", project, design, screen).ListAsync(Read, cancel);

    /// <summary>What waits for a delivery to settle it, asked before a moment; null for all of it.</summary>
    public Task<List<QuestionRow>> OpenAsync(int project, DateTime? before, CancellationToken cancel) => database.Source
        .Command(Columns + " where project_id = $1 and settled_in is null and withdrawn_at is null and ($2::timestamptz is null or asked_at < $2) order by id", project, before).ListAsync(Read, cancel);

    /// <summary>Asks; nothing happens while too much waits already.</summary>
    public Task<StepDone> AskAsync(Author author, QuestionRow question, string label, CancellationToken cancel) => LastAsync(author, Role.Guest, label, connection => connection.Command($"""
        insert into questions (project_id, delivery, design_id, screen, lineage, kind, x, y, state, words, who, actor)
        select $1, $2, $3, $4, $5, $6, $7::float8, $8::float8, $9, $10, $11, $12 where (select count(*) from questions where project_id = $1 and settled_in is null and withdrawn_at is null) < {MostOpen}
        """, author.Project, question.Delivery, question.Design, question.Screen, question.Lineage, question.Kind, question.Point?.X, question.Point?.Y, question.State, question.Words, author.Actor.Name, author.Actor.Id), cancel);

    /// <summary>Answers one that is not settled.</summary>
    public Task<StepDone> AnswerAsync(Author author, int id, string answer, string label, CancellationToken cancel) => LastAsync(author, Role.Designer, label, connection => connection.Command(
        "update questions set answer = $3, answered_by = $4, answered_at = now() where project_id = $1 and id = $2 and settled_in is null and withdrawn_at is null", author.Project, id, answer, author.Actor.Name), cancel);

    /// <summary>Takes back one's own, while it is not settled.</summary>
    public Task<StepDone> WithdrawAsync(Author author, int id, string label, CancellationToken cancel) => LastAsync(author, Role.Guest, label, connection => connection.Command(
        "update questions set withdrawn_at = now() where project_id = $1 and id = $2 and actor = $3 and settled_in is null and withdrawn_at is null", author.Project, id, author.Actor.Id), cancel);

    /// <summary>Says that a delivery settled some.</summary>
    public async Task SettleAsync(int project, IReadOnlyCollection<int> ids, int delivery, CancellationToken cancel) =>
        await LastAsync(new(project, Actor.Local("", "Kalypto")), Role.Owner, $"Delivery {delivery} settles {ids.Count} {(ids.Count == 1 ? "question" : "questions")}",
            connection => connection.Command("update questions set settled_in = $3 where project_id = $1 and id = any($2) and settled_in is null", project, ids.ToArray(), delivery), cancel);

    /// <summary>What was said of a screen of a delivery as a whole, the oldest first.</summary>
    public Task<List<VerdictRow>> VerdictsAsync(int project, int delivery, int design, int screen, CancellationToken cancel) => database.Source
        .Command("select who, actor, agreed, at from verdicts where project_id = $1 and delivery = $2 and design_id = $3 and screen = $4 order by at", project, delivery, design, screen)
        .ListAsync(r => new VerdictRow(r.GetString(0), r.GetString(1), r.GetBoolean(2), r.GetDateTime(3)), cancel);

    /// <summary>Says that somebody saw a screen, or agrees to it.</summary>
    public Task<StepDone> SayAsync(Author author, int delivery, int design, int screen, bool hasAgreed, string label, CancellationToken cancel) => LastAsync(author, Role.Guest, label, connection => connection.Command("""
        insert into verdicts (project_id, delivery, design_id, screen, actor, who, agreed) values ($1, $2, $3, $4, $5, $6, $7)
        on conflict (project_id, delivery, design_id, screen, actor) do update set agreed = excluded.agreed, who = excluded.who, at = now() where verdicts.agreed <> excluded.agreed
        """, author.Project, delivery, design, screen, author.Actor.Id, author.Actor.Name, hasAgreed), cancel);

    private Task<StepDone> LastAsync(Author author, Role least, string label, Func<NpgsqlConnection, NpgsqlCommand> change, CancellationToken cancel) => EditStore.LastingAsync(database, author, least, async connection =>
    {
        if (await change(connection).RunAsync(cancel) == 0)
        {
            return new(StepState.Nothing);
        }
        // Whoever has the project open looks at it again: what is asked is a finding in it.
        await connection.Command("update projects set revision = revision + 1 where id = $1", author.Project).RunAsync(cancel);
        return new(StepState.Done, label);
    }, cancel);

    private static QuestionRow Read(NpgsqlDataReader r) => new(r.GetInt32(0), r.GetInt32(1), r.GetInt32(2), r.GetInt32(3), r.GetInt32(4), r.GetString(5))
    {
        Point = r.Nullable<double?>(6) is { } x && r.Nullable<double?>(7) is { } y ? (x, y) : null,
        State = r.GetString(8),
        Words = r.GetString(9),
        Who = r.GetString(10),
        Actor = r.GetString(11),
        AskedAt = r.GetDateTime(12),
        Answer = r.GetString(13),
        AnsweredBy = r.GetString(14),
        SettledIn = r.Nullable<int?>(15),
    };
}
