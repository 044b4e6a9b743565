using Kalypto.Core.Designs;

namespace Kalypto.Store.Tests;

[Collection(DatabaseFixture.OneAfterTheOther)]
public sealed class ProofStoreTests(DatabaseFixture fixture)
{
    private readonly Database database = fixture.Database;
    private readonly CancellationToken cancel = TestContext.Current.CancellationToken;

    private static string Key(string text) => Fingerprint.Of(text).Hex;

    [Fact]
    public async Task A_proof_is_found_again_and_says_which_elements_need_the_exact_engine()
    {
        var proofs = new ProofStore(database);
        var queue = new DrawingQueue(database);
        var (moon, star) = (Fingerprint.Of("moon"), Fingerprint.Of("star"));
        await queue.AddAsync([new(Key("tonight"), 1, 0, [], "", null) { IsProof = true }], DrawingQueue.Proving, "proof test", cancel);
        Assert.True((await queue.TakeAsync("proof test", TimeSpan.FromMinutes(1), cancel))!.Job.IsProof);
        await proofs.PutAsync(new(Key("tonight"), 0.998, 2, null), "engines 1", new Dictionary<Fingerprint, double> { [moon] = 0.04, [star] = 0.5 }, [1, 2], cancel);
        await proofs.PutAsync(new(Key("website"), 1, 1, null), "engines 1", new Dictionary<Fingerprint, double> { [moon] = 0.06 }, [1, 2], cancel);
        await proofs.PutAsync(new(Key("old"), 1, 1, null), "engines 0", new Dictionary<Fingerprint, double> { [Fingerprint.Of("dome")] = 1 }, null, cancel);
        await proofs.PutAsync(new(Key("broken"), null, 0, "It takes longer than 20 seconds.") { IsPassing = true }, "engines 1", new Dictionary<Fingerprint, double>(), null, cancel);

        var found = await proofs.FindAsync([Key("tonight"), Key("broken"), Key("never")], cancel);
        Assert.Equal(new ProofRow(Key("tonight"), 0.998, 2, null), found[Key("tonight")]);
        Assert.True(found[Key("broken")].IsPassing);
        Assert.False(found.ContainsKey(Key("never")));
        Assert.Equal([1, 2], (await proofs.MarksAsync(Key("tonight"), cancel))!);
        Assert.Null(await proofs.MarksAsync(Key("old"), cancel));
        Assert.Equal(new Dictionary<Fingerprint, double> { [moon] = 0.06, [star] = 0.5 }, (await proofs.ProvenAsync("engines 1", cancel)).OrderBy(p => p.Value).ToDictionary());

        // What is proved is not queued again; what failed in a way that passes gives way to what comes.
        await queue.AddAsync([new(Key("tonight"), 1, 0, [], "", null) { IsProof = true }], DrawingQueue.Proving, "proof test", cancel);
        Assert.Null(await queue.TakeAsync("proof test", TimeSpan.FromMinutes(1), cancel));
        await proofs.PutAsync(new(Key("broken"), 0.9, 0, null), "engines 1", new Dictionary<Fingerprint, double>(), null, cancel);
        Assert.Equal(0.9, (await proofs.FindAsync([Key("broken")], cancel))[Key("broken")].Equal);
    }
}
