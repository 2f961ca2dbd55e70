import { Reaction, Molecule } from 'openchemlib'
import { writeFileSync } from 'node:fs'
const r = Reaction.fromMolecules([Molecule.fromSmiles('Nc1ccccc1'),Molecule.fromSmiles('CC(=O)OC(C)=O'),Molecule.fromSmiles('CC(=O)Nc1ccccc1'),Molecule.fromSmiles('CC(=O)O')],2)
const rxn = r.toRxn(); writeFileSync('/tmp/a.rxn', rxn); console.log(rxn.slice(0,120))
writeFileSync('/tmp/a.rdf', '$RDFILE 1\n$DATM x\n$RFMT $RIREG 1\n'+rxn+'$DTYPE A\n$DATUM b\n$RFMT $RIREG 2\n'+rxn)
writeFileSync('/tmp/a.sdf', ['OC(c1ccccc1)C(=O)c1ccccc1','Cc1ccc(cc1)C(=O)OCC'].map((s,i)=>`x${i}\n`+Molecule.fromSmiles(s).toMolfile().split('\n').slice(1).join('\n')+`\n> <NAME>\nthing ${i}\n\n$$$$\n`).join(''))
